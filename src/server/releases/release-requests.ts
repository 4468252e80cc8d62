import { bodySchema } from '../http/read-request.ts';

const note = { type: 'string', maxLength: 2000 } as const;

export const releaseSchema = {
  $schema: 'https://json-schema.org/draft/2020-12/schema',
  type: 'object',
  additionalProperties: false,
  required: ['note'],
  properties: { note },
} as const;
export const validateRelease = bodySchema<{ note: string }>(releaseSchema);
export const maxReleaseBytes = 8 * 1024;
