import { numberFact } from '../../forms/number.ts';

export const items = numberFact('cart.items', {
  about: 'The cart',
  name: 'number of items',
  also: 'pieces quantity count',
  called: 'the number of items',
  unit: 'items',
  of: ({ cart }) => cart.measures.items,
  measure: 'items',
  usual: 3,
});
