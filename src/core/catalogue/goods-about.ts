import type { MarketTerms } from '../markets/terms.ts';
import { ordinaryCart } from './ordinary-cart.ts';
import { priceIn } from './product-amount.ts';
import type { Catalogue } from './product.ts';

/** No cart is put together of more pieces. */
const mostPieces = 999;
/** So many carts of one product are offered each way. */
const mostOfOne = 6;

/** What an order is to come to: an amount in minor units, or a weight in grams or pieces of about a value. */
export type GoodsAbout = { value: number; weight?: number; items?: number };

/**
 * Goods of a catalogue that come to about that: of a weight first those that weigh at least as much, then the heaviest that weigh
 * less; of either the nearest to the value first. @returns product ids with quantities; none where there are none
 */
export function goodsAbout(
  catalogue: Catalogue,
  terms: MarketTerms,
  { value, weight, items }: GoodsAbout,
): ReadonlyMap<string, number>[] {
  if (weight === undefined && items === undefined) {
    const lines = ordinaryCart(catalogue, terms, Math.max(1, Math.round(value)));
    return lines.size > 0 ? [lines] : [];
  }
  const ofOne = (pieces: (weightGrams: number) => number): ReadonlyMap<string, number>[] =>
    [...catalogue.values()]
      .flatMap((product) => {
        const { id, weightGrams, needsDelivery } = product;
        const price = priceIn(product, terms);
        if (price === undefined || !needsDelivery || (weight !== undefined && !weightGrams)) return [];
        const quantity = Math.max(items ?? 1, weight === undefined ? 1 : pieces(weightGrams!));
        return quantity > mostPieces ? [] : [{ id, quantity, off: Math.abs(price * quantity - value) }];
      })
      .sort((a, b) => a.off - b.off)
      .slice(0, mostOfOne)
      .map(({ id, quantity }) => new Map([[id, quantity]]));
  if (weight === undefined) return ofOne(() => 1);
  return [...ofOne((grams) => Math.ceil(weight / grams)), ...ofOne((grams) => Math.floor(weight / grams))];
}
