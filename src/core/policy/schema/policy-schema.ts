import { forms } from '../../conditions/registry.ts';
import base from './policy.schema.json' with { type: 'json' };

interface Definitions {
  [name: string]: object;
}
export type PolicySchema = Omit<typeof base, '$defs'> & { $defs: Definitions };

/**
 * The policy's JSON Schema (2020-12): the document as the file beside this one describes it, with the kinds of leaves that
 * conditions can have by the facts that are registered.
 */
export function policySchema(): PolicySchema {
  const { $defs, ...document } = base;
  const leaves: Definitions = {};
  for (const [form, facts] of forms()) {
    const { required, properties } = form.schema(facts);
    leaves[form.definition] = {
      type: 'object',
      additionalProperties: false,
      required: ['order', 'kind', ...required],
      properties: { order: { $ref: '#/$defs/order' }, kind: { const: form.kind }, ...properties },
    };
  }
  const { oneOf, ...node } = $defs.conditionNode;
  const kinds = [...oneOf, ...Object.keys(leaves).map((name) => ({ $ref: `#/$defs/${name}` }))];
  return { ...document, $defs: { ...$defs, ...leaves, conditionNode: { ...node, oneOf: kinds } } };
}
