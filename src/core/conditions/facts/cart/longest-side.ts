import { deliveredOf } from '../../asked.ts';
import { numberFact } from '../../forms/number.ts';

export const longestSide = numberFact('cart.longestSide', {
  about: 'The cart',
  name: 'longest side',
  also: 'length long size millimetres',
  called: 'the longest side',
  said: ' mm',
  unit: 'mm',
  of: (facts) => deliveredOf(facts).longestSide,
  measure: 'longestSide',
  usual: 1200,
});
