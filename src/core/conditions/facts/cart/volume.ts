import { deliveredOf } from '../../asked.ts';
import { numberFact } from '../../forms/number.ts';

export const volume = numberFact('cart.volume', {
  about: 'The cart',
  name: 'volume',
  also: 'bulky size cubic',
  called: 'the volume',
  said: ' cm³',
  unit: 'cm³',
  of: (facts) => deliveredOf(facts).volume,
  measure: 'volume',
  usual: 50_000,
});
