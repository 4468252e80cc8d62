import { numbers } from '../../../regions/values.ts';
import { among } from '../../asks.ts';
import type { Fact } from '../../fact.ts';
import { yesNoFact } from '../../forms/yes-no.ts';
import type { LeafOf } from '../../leaf.ts';

const plain = yesNoFact(
  'shopper.firstOrder',
  {
    about: 'The shopper',
    name: 'orders for the first time',
    also: 'new customer first order newcomer',
    yes: 'it is the shopper’s first order',
    no: 'the shopper has ordered before',
  },
  ({ shopper: { orderCount } }) => (orderCount === undefined ? undefined : orderCount === 0),
  'always',
);

/** The same as having ordered no times, or some. */
export const firstOrder: Fact<LeafOf<'yesNo'>> = {
  ...plain,
  asks: ({ is }) => ({
    fact: 'shopper.orderCount',
    values: numbers([is ? { from: 0, to: 1 } : { from: 1, to: Infinity }]),
    among: among(true),
  }),
};
