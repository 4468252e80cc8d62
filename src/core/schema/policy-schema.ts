import { rewardKinds } from '../offers/rewards/registry.ts';
import { priceKinds } from '../charges/prices/registry.ts';
import { forms } from '../conditions/registry.ts';
import { questionKinds } from '../options/questions/registry.ts';
import { longestAnswer } from '../options/questions/question-kind.ts';
import { optionKinds } from '../options/kinds/registry.ts';
import { surfaceKinds } from '../surface-kinds/registry.ts';
import base from './policy.schema.json' with { type: 'json' };

interface Definitions {
  [name: string]: object;
}
export type PolicySchema = Omit<typeof base, '$defs'> & { $defs: Definitions };

/**
 * The policy's JSON Schema (2020-12): the document as the file beside this one describes it, with the kinds of leaves that
 * conditions can have by the facts that are registered, and the kinds of rewards, of prices and of delivery options.
 */
export function policySchema(): PolicySchema {
  const { $defs, ...document } = base;
  const leaves: Definitions = {};
  for (const [form, facts] of forms()) {
    leaves[form.definition] = member(form.kind, form.schema(facts));
  }
  const { oneOf, ...node } = $defs.conditionNode;
  const kinds = [...oneOf, ...Object.keys(leaves).map((name) => ({ $ref: `#/$defs/${name}` }))];
  const rewards = rewardKinds.all.map(({ kind, schema }) => member(kind, schema));
  const questions = questionKinds.all.map(({ kind, schema: { required, properties } }) =>
    member(kind, {
      required: [...askedOfAll.required, ...required],
      properties: { ...askedOfAll.properties, ...properties },
    }),
  );
  const prices: Definitions = {};
  for (const { definition, schema } of priceKinds.all)
    prices[definition] = { type: 'object', additionalProperties: false, ...schema };
  const linePrices = Object.keys(prices).map((name) => ({ $ref: `#/$defs/${name}` }));
  return {
    ...document,
    $defs: {
      ...$defs,
      ...leaves,
      ...prices,
      conditionNode: { ...node, oneOf: kinds },
      reward: { ...$defs.reward, oneOf: rewards },
      question: { ...$defs.question, oneOf: questions },
      linePrice: { ...$defs.linePrice, oneOf: linePrices },
      optionKind: { ...$defs.optionKind, enum: optionKinds.all.map(({ kind }) => kind) },
      surfaceKind: { ...$defs.surfaceKind, enum: surfaceKinds.all.map(({ kind }) => kind) },
    },
  };
}

/** What questions of every kind have. */
const askedOfAll: Members = {
  required: ['label', 'required'],
  properties: {
    label: { $ref: '#/$defs/texts' },
    required: { type: 'boolean' },
    longest: {
      description: 'letters of the longest answer',
      type: 'integer',
      minimum: 1,
      maximum: longestAnswer,
    },
  },
};

interface Members {
  required: readonly string[];
  properties: Record<string, object>;
}

/** One kind of what stands in an order, told apart by `kind`. */
const member = (kind: string, { required, properties }: Members): object => ({
  type: 'object',
  additionalProperties: false,
  required: ['order', 'kind', ...required],
  properties: { order: { $ref: '#/$defs/order' }, kind: { const: kind }, ...properties },
});
