import { bodySchema } from '../http/read-request.ts';
import type { CarrierAnswer, CarrierRequest } from '../stand-ins/carrier.ts';

const place = {
  type: 'object',
  additionalProperties: false,
  required: ['country', 'postcode'],
  properties: { country: { type: 'string', pattern: '^[A-Z]{2}$' }, postcode: { type: 'string', maxLength: 16 } },
} as const;
const count = { type: 'integer', minimum: 0, maximum: 1_000_000_000 } as const;
const carrier = { type: 'string', pattern: '^[a-z0-9][a-z0-9-]{0,39}$' } as const;
const draft = 'https://json-schema.org/draft/2020-12/schema';

export const validateCarrierRequest = bodySchema<CarrierRequest>({
  $schema: draft,
  type: 'object',
  additionalProperties: false,
  required: ['carrier', 'from', 'to', 'weightGrams', 'volumeCm3'],
  properties: { carrier, from: place, to: place, weightGrams: count, volumeCm3: count },
});

/** Whatever does not look like this is no quote. */
export const validateCarrierAnswer = bodySchema<CarrierAnswer>({
  $schema: draft,
  type: 'object',
  required: ['amount', 'currency'],
  properties: {
    amount: { type: 'integer', minimum: 0, maximum: 100_000_000 },
    currency: { type: 'string', pattern: '^[A-Z]{3}$' },
  },
});

export interface CarrierTest {
  carrier: string;
  market: string;
  to: { country: string; postcode: string };
  weightGrams: number;
  volumeCm3: number;
}

export const carrierTestSchema = {
  $schema: draft,
  type: 'object',
  additionalProperties: false,
  required: ['carrier', 'market', 'to', 'weightGrams', 'volumeCm3'],
  properties: { carrier, market: { type: 'string', maxLength: 40 }, to: place, weightGrams: count, volumeCm3: count },
} as const;
export const validateCarrierTest = bodySchema<CarrierTest>(carrierTestSchema);
