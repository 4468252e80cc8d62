import { Type, type Static } from '@sinclair/typebox';
import { minor, nullable, object, text, whole } from '../shape.ts';

const place = object({ country: Type.String({ pattern: '^[A-Z]{2}$' }), postcode: Type.String({ maxLength: 16 }) });
const count = Type.Integer({ minimum: 0, maximum: 1_000_000_000 });
const carrier = Type.String({ pattern: '^[a-z0-9][a-z0-9-]{0,39}$' });

/** What a carrier is asked. Grams and cm³ of all parcels together. */
export const CarrierRequestShape = object({ carrier, from: place, to: place, weightGrams: count, volumeCm3: count });
export type CarrierRequest = Static<typeof CarrierRequestShape>;

/** What a carrier answers, in minor units; whatever does not look like this is no quote. */
export const CarrierAnswerShape = Type.Object({
  amount: Type.Integer({ minimum: 0, maximum: 100_000_000 }),
  currency: Type.String({ pattern: '^[A-Z]{3}$' }),
});
export type CarrierAnswer = Static<typeof CarrierAnswerShape>;

/** A question to a carrier as a quote would ask it, from the store. */
export const CarrierTestShape = object({
  carrier,
  market: Type.String({ maxLength: 40 }),
  to: place,
  weightGrams: count,
  volumeCm3: count,
});

/** Request, answer, and what they come to. */
export const CarrierReplyShape = object({
  request: CarrierRequestShape,
  /** what it said, as it came */
  answer: nullable(text),
  /** minor units of the market's currency; null: silent, as far as charges go */
  quote: nullable(minor),
  /** why there is no quote */
  problem: nullable(text),
  /** ms */
  took: whole,
});
export type CarrierReply = Static<typeof CarrierReplyShape>;
