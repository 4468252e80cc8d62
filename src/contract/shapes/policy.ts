import policySchema from '../../core/schema/policy.schema.json' with { type: 'json' };
import type { PolicyChange } from '../../core/changes/changes.ts';
import type { Policy } from '../../core/policy/types.ts';
import { named, nullable, object, ofCore, text, word, written } from '../shape.ts';

/** The policy document; its own schema says what is in it. */
export const PolicyShape = named(
  'Policy',
  written<Policy>({ type: 'object', description: `JSON Schema ${policySchema.$id}` }),
);

export const PolicyChangeShape = ofCore<PolicyChange>()(
  object({
    path: text,
    stop: word('markets', 'delivery', 'offers', 'wording', 'results', 'store'),
    subject: text,
    before: nullable(text),
    after: nullable(text),
  }),
);
