import type { Facts } from '../asked.ts';
import type { Fact, FactForm, FactWords, ToldByOrders } from '../fact.ts';
import { yesNo } from '../asks.ts';
import { plainLeaf, type LeafOf } from '../leaf.ts';

type Node = LeafOf<'yesNo'>;

export const yesNoForm: FactForm<Node> = {
  kind: 'yesNo',
  definition: 'yesNoFact',
  schema: (facts) => ({
    required: ['fact', 'is'],
    properties: { fact: { enum: [...facts] }, is: { type: 'boolean' } },
  }),
  asksFirst: null,
  check: () => {},
};

/** A fact that is so or is not. @param of whether it is so; undefined where that is not known */
export const yesNoFact = (
  id: Node['fact'],
  words: FactWords & { yes: string; no: string },
  of: (facts: Facts) => boolean | undefined,
  told: ToldByOrders = 'never',
): Fact<Node> => ({
  id,
  ...words,
  form: yesNoForm,
  told,
  compile: ({ is }) => plainLeaf((facts) => of(facts) === is),
  asks: ({ is }) => ({ fact: id, values: yesNo(is) }),
  readOut: ({ is }) => (is ? words.yes : words.no),
  begin: () => ({ kind: 'yesNo', fact: id, is: true }),
});
