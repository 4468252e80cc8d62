import { bodySchema } from '../http/read-request.ts';

export const modeSchema = {
  $schema: 'https://json-schema.org/draft/2020-12/schema',
  type: 'object',
  additionalProperties: false,
  required: ['mode'],
  properties: { mode: { type: 'string', maxLength: 40 } },
} as const;

export const validateMode = bodySchema<{ mode: string }>(modeSchema);
