import { numberFact } from '../../forms/number.ts';

export const lineQuantity = numberFact('line.quantity', {
  about: 'The cart',
  name: 'number of one product',
  also: 'line quantity pieces of the same bulk',
  called: 'the quantity of some line',
  unit: 'pieces',
  some: ({ cart }, fits) => cart.lines.some(({ quantity }) => fits(quantity)),
  measure: 'items',
  usual: 2,
});
