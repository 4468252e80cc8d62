import { selects, type CompiledSelection } from '../catalogue/goods-selection.ts';
import { ownDeliveryIn, priceIn } from '../catalogue/product-amount.ts';
import { atMostLargest } from '../money/rounding.ts';
import { convertTax, type CompiledBasis } from './basis.ts';
import { addCharged, nothingCharged, type ChargedMeasures, type MeasuredCart } from './measures.ts';

/** Price of a piece of a line as shown, minor units; 0 where the market has no price. */
export function unitPriceOf(cart: MeasuredCart, index: number): number {
  return cart.hypothetical
    ? Math.floor(cart.hypothetical.value / Math.max(1, cart.hypothetical.items))
    : (priceIn(cart.lines[index]!.product, cart.terms) ?? 0);
}

/** A line's value in a basis, minor units. */
export function lineValue(cart: MeasuredCart, index: number, basis: CompiledBasis): number {
  const { product, quantity } = cart.lines[index]!;
  let value: number;
  if (cart.hypothetical) value = cart.hypothetical.value;
  else if (basis.afterDiscounts && cart.discounted) value = cart.discounted.after[index]!;
  else value = atMostLargest((priceIn(product, cart.terms) ?? 0) * quantity);
  return basis.convertsTax ? convertTax(value, product, cart.terms, cart.taxRates) : value;
}

/** Which lines a sum is over: a selection of goods, only those that count toward goals, only those an ordinary charge looks at. */
interface LinesWanted {
  goods?: CompiledSelection | null;
  counting?: boolean;
  chargeable?: boolean;
}

function isWanted(cart: MeasuredCart, index: number, { goods, counting, chargeable }: LinesWanted): boolean {
  const { product } = cart.lines[index]!;
  if (counting && !product.countsTowardGoals) return false;
  if (chargeable && product.needsDelivery && (product.shipsFree || ownDeliveryIn(product, cart.terms) !== undefined))
    return false;
  return !goods || selects(goods, product, unitPriceOf(cart, index));
}

/** Goods value of the lines wanted, minor units. */
export function goodsValueOf(cart: MeasuredCart, basis: CompiledBasis, wanted: LinesWanted): number {
  let sum = 0;
  for (let index = 0; index < cart.lines.length; index++)
    if (isWanted(cart, index, wanted)) sum += lineValue(cart, index, basis);
  return sum;
}

/** Pieces of the lines wanted. */
export function quantityOf(cart: MeasuredCart, wanted: LinesWanted): number {
  let sum = 0;
  for (let index = 0; index < cart.lines.length; index++)
    if (isWanted(cart, index, wanted)) sum += cart.lines[index]!.quantity;
  return sum;
}

/** Grams of the lines wanted, of goods that need delivery. */
export function weightOf(cart: MeasuredCart, wanted: LinesWanted): number {
  let sum = 0;
  if (cart.hypothetical) return isWanted(cart, 0, wanted) ? cart.measures.charged.weight : 0;
  for (let index = 0; index < cart.lines.length; index++) {
    const { product, quantity } = cart.lines[index]!;
    if (product.needsDelivery && isWanted(cart, index, wanted)) sum += (product.weightGrams ?? 0) * quantity;
  }
  return sum;
}

/** What weighs and fills, over all goods that need delivery, however they are charged. */
export function deliveredMeasures(cart: MeasuredCart): ChargedMeasures {
  if (cart.hypothetical) return cart.measures.charged;
  const delivered = nothingCharged();
  let cubicMm = 0;
  for (const { product, quantity } of cart.lines)
    if (product.needsDelivery) cubicMm += addCharged(delivered, product, quantity);
  delivered.volume = atMostLargest(Math.ceil(cubicMm / 1000));
  return delivered;
}
