import { deliveredOf } from '../../asked.ts';
import { numberFact } from '../../forms/number.ts';

export const weight = numberFact('cart.weight', {
  about: 'The cart',
  name: 'weight',
  also: 'heavy light kilograms grams',
  called: 'the weight',
  said: ' g',
  unit: 'g',
  of: (facts) => deliveredOf(facts).weight,
  measure: 'weight',
  told: 'shipment',
  usual: 10_000,
});
