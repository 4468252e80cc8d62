import { numberFact } from '../../forms/number.ts';

export const lines = numberFact('cart.lines', {
  about: 'The cart',
  name: 'number of lines',
  also: 'different products articles',
  called: 'the number of lines',
  unit: 'lines',
  of: ({ cart }) => cart.measures.lines,
  measure: 'lines',
  usual: 2,
});
