import { compileBasis, type CompiledBasis } from '../../cart/basis.ts';
import { amountIn, type MarketTerms } from '../../markets/terms.ts';
import { checkAmounts } from '../../money/check-amounts.ts';
import { numbers } from '../../regions/values.ts';
import type { Tree } from '../../regions/region.ts';
import type { Facts } from '../asked.ts';
import { among, valueFact, within } from '../asks.ts';
import { isInRange, rangeOf } from '../compare.ts';
import type { Fact, FactForm, FactWords, ToldByOrders } from '../fact.ts';
import { edgesOf, plainLeaf, type Leaf, type LeafOf } from '../leaf.ts';
import { basisInWords } from '../reader.ts';
import { checkEnds } from './comparison.ts';

type Node = LeafOf<'money'>;

/** Members of a leaf that compares amounts, in the schema. */
export const comparedMoney = {
  basis: { $ref: '#/$defs/basis' },
  operator: { $ref: '#/$defs/comparison' },
  amounts: { $ref: '#/$defs/amounts' },
  to: { description: 'the upper end of between, included', $ref: '#/$defs/amounts' },
};

export const checkMoney: FactForm<LeafOf<'money' | 'goodsMoney'>>['check'] = (node, policy, at, fault) => {
  checkEnds(node, at, fault);
  checkAmounts(node.amounts, policy, [], `${at}/amounts`, fault);
  if (node.to) checkAmounts(node.to, policy, [], `${at}/to`, fault);
};

export const moneyForm: FactForm<Node> = {
  kind: 'money',
  definition: 'moneyFact',
  schema: (facts) => ({
    required: ['fact', 'basis', 'operator', 'amounts'],
    properties: { fact: { enum: [...facts] }, ...comparedMoney },
  }),
  asksFirst: null,
  check: checkMoney,
};

/** Whether some amount of a cart, in minor units and in the basis, fits. */
type MoneyTest = (facts: Facts, basis: CompiledBasis, fits: (value: number) => boolean) => boolean;

/** A comparison of money ready to be asked in a market; without an amount there it never holds. */
export function moneyLeaf(node: LeafOf<'money' | 'goodsMoney'>, terms: MarketTerms, holds: MoneyTest): Leaf {
  const amount = amountIn(node.amounts, terms);
  const to = node.to === undefined ? undefined : amountIn(node.to, terms);
  if (amount === null || to === null) return plainLeaf(() => false);
  const basis = compileBasis(node.basis, terms);
  const range = rangeOf(node.operator, amount, to, 1);
  const fits = (value: number) => isInRange(range, value);
  return {
    holds: (facts) => holds(facts, basis, fits),
    looksAt: [{ measure: { kind: 'value', basis }, edges: edgesOf(range) }],
  };
}

/**
 * The amounts of a value for which a comparison holds in a market.
 * @param of whose value: of the goods, of those that count, or of a selection
 */
export function asksForMoney(node: LeafOf<'money' | 'goodsMoney'>, of: string, terms: MarketTerms): Tree {
  const amount = amountIn(node.amounts, terms);
  const to = node.to === undefined ? undefined : amountIn(node.to, terms);
  const fact = valueFact(of, compileBasis(node.basis, terms), terms);
  if (amount === null || to === null) return { fact, values: numbers([]), among: among(false) };
  return { fact, values: within(rangeOf(node.operator, amount, to, 1)), among: among(false) };
}

interface MoneyFact extends FactWords {
  /** as read-outs name it */
  called: string;
  holds: MoneyTest;
  /** whose value it is, where it is one; absent: of any of several */
  of?: string;
  told?: ToldByOrders;
}

/** A fact that is an amount of money in the market's currency. Without an amount there it never holds. */
export function moneyFact(id: Node['fact'], { called, holds, of, told = 'never', ...words }: MoneyFact): Fact<Node> {
  return {
    id,
    ...words,
    form: moneyForm,
    told,
    compile: (node, terms) => moneyLeaf(node, terms, holds),
    ...(of === undefined ? {} : { asks: (node, terms) => asksForMoney(node, of, terms) }),
    readOut: ({ basis, operator, amounts, to }, reader) =>
      `${called} ${basisInWords(basis)}, ${reader.money(operator, amounts, to)}`,
    begin: ({ amounts }) => ({ kind: 'money', fact: id, basis: 'afterDiscountsAsShown', operator: 'atLeast', amounts }),
  };
}
