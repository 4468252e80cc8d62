import { packedCart } from '../../../cart/packing/packed-cart.ts';
import { deliveredOf } from '../../asked.ts';
import { numberFact } from '../../forms/number.ts';

export const parcels = numberFact('cart.parcels', {
  about: 'The cart',
  name: 'number of parcels',
  also: 'boxes packages packed packing',
  called: 'the number of parcels',
  unit: 'parcels',
  of: (facts) => {
    const { packing } = facts.cart.terms;
    return packing ? packedCart(facts.cart, packing, 'delivered').parcels : Math.min(1, deliveredOf(facts).items);
  },
  measure: 'parcels',
  usual: 2,
});
