import { yesNoFact } from '../../forms/yes-no.ts';

export const firstOrder = yesNoFact(
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
