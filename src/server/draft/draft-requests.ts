import type { Operation } from 'rfc6902';
import { bodySchema } from '../http/read-request.ts';

const pointer = { type: 'string', maxLength: 400, pattern: '^(/([^~/]|~0|~1)*)*$' } as const;

/** RFC 6902, bounded. Paths into prototypes do not exist in a policy and are refused by the pattern of its ids. */
export const patchSchema = {
  $schema: 'https://json-schema.org/draft/2020-12/schema',
  type: 'array',
  minItems: 1,
  maxItems: 20_000,
  items: {
    type: 'object',
    required: ['op', 'path'],
    properties: {
      op: { enum: ['add', 'remove', 'replace', 'move', 'copy', 'test'] },
      path: pointer,
      from: pointer,
      value: {},
    },
    allOf: [
      { if: { properties: { op: { enum: ['add', 'replace', 'test'] } } }, then: { required: ['value'] } },
      { if: { properties: { op: { enum: ['move', 'copy'] } } }, then: { required: ['from'] } },
    ],
  },
} as const;

export const validateDraftQuery = bodySchema<{ since?: string }>({
  $schema: 'https://json-schema.org/draft/2020-12/schema',
  type: 'object',
  additionalProperties: false,
  properties: { since: { type: 'string', pattern: '^[0-9]{1,15}$' } },
});

export const validatePolicyQuery = bodySchema<{ revision: string; stamp: string }>({
  $schema: 'https://json-schema.org/draft/2020-12/schema',
  type: 'object',
  additionalProperties: false,
  required: ['revision', 'stamp'],
  properties: { revision: { type: 'string', pattern: '^[0-9]{1,15}$' }, stamp: { type: 'string', maxLength: 40 } },
});

export const validateHistoryQuery = bodySchema<{ offer: string; language?: string }>({
  $schema: 'https://json-schema.org/draft/2020-12/schema',
  type: 'object',
  additionalProperties: false,
  required: ['offer'],
  properties: {
    offer: { type: 'string', pattern: '^[a-z0-9][a-z0-9-]{0,39}$' },
    language: { type: 'string', maxLength: 35, pattern: '^[A-Za-z]{2,3}(-[A-Za-z0-9]{2,8}){0,3}$' },
  },
});

export const validatePatch = bodySchema<Operation[]>(patchSchema);
export const maxPatchBytes = 4 * 1024 * 1024;
