import { goodsValueOf, quantityOf, weightOf } from '../cart/line-values.ts';
import type { MeasuredCart } from '../cart/measures.ts';
import type { Counting } from './compile-offer.ts';

/** What a cart has toward a goal: minor units in the goal's basis, pieces, or grams of goods that need delivery. */
export function countedToward({ kind, basis, goods }: Counting, cart: MeasuredCart): number {
  // Measured already, where the basis asks for what is shown, or for what nothing is taken off.
  if (kind === 'value' && goods === null && !basis.convertsTax && (basis.afterDiscounts || cart.discounted === null))
    return cart.measures.countedValue;
  const wanted = { goods, counting: true };
  switch (kind) {
    case 'value':
      return goodsValueOf(cart, basis, wanted);
    case 'items':
      return quantityOf(cart, wanted);
    case 'weight':
      return weightOf(cart, wanted);
  }
}
