import type { Operation } from 'rfc6902';
import { bodySchema } from '../http/read-request.ts';

const pointer = { type: 'string', maxLength: 400, pattern: '^(/([^~/]|~0|~1)*)*$' } as const;

/** RFC 6902, bounded. Paths into prototypes do not exist in a policy and are refused by the pattern of its ids. */
export const patchSchema = {
  $schema: 'https://json-schema.org/draft/2020-12/schema',
  type: 'array',
  minItems: 1,
  maxItems: 500,
  items: {
    type: 'object',
    required: ['op', 'path'],
    properties: { op: { enum: ['add', 'remove', 'replace', 'move', 'copy', 'test'] }, path: pointer, from: pointer, value: {} },
    allOf: [
      { if: { properties: { op: { enum: ['add', 'replace', 'test'] } } }, then: { required: ['value'] } },
      { if: { properties: { op: { enum: ['move', 'copy'] } } }, then: { required: ['from'] } },
    ],
  },
} as const;

export const validatePatch = bodySchema<Operation[]>(patchSchema);
export const maxPatchBytes = 256 * 1024;
