import { numberFact } from '../../forms/number.ts';

export const orderCount = numberFact('shopper.orderCount', {
  about: 'The shopper',
  name: 'has ordered a number of times',
  also: 'past orders loyal returning history',
  called: 'the shopper’s number of past orders',
  unit: 'times',
  of: ({ shopper }) => shopper.orderCount,
  usual: 1,
});
