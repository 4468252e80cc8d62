import type { MarketTerms } from '../markets/terms.ts';
import { ordinaryCart } from './ordinary-cart.ts';
import { priceIn } from './product-amount.ts';
import type { Catalogue } from './product.ts';

/** No cart is put together of more pieces. */
const mostPieces = 999;
/** So many carts of one product are offered. */
const mostOfOne = 6;

/** What an order is to come to: an amount in minor units, or a weight in grams or pieces of about a value. */
export type GoodsAbout = { value: number; weight?: number; items?: number };

/** Goods of a catalogue that come to about that, the nearest first. @returns product ids with quantities; none where there are none */
export function goodsAbout(
  catalogue: Catalogue,
  terms: MarketTerms,
  { value, weight, items }: GoodsAbout,
): ReadonlyMap<string, number>[] {
  if (weight === undefined && items === undefined) {
    const lines = ordinaryCart(catalogue, terms, Math.max(1, Math.round(value)));
    return lines.size > 0 ? [lines] : [];
  }
  const ofOne = [...catalogue.values()].flatMap((product) => {
    const { id, weightGrams, needsDelivery } = product;
    const price = priceIn(product, terms);
    if (price === undefined || !needsDelivery || (weight !== undefined && !weightGrams)) return [];
    const quantity = Math.max(1, items ?? 1, weight === undefined ? 1 : Math.ceil(weight / weightGrams!));
    return quantity > mostPieces ? [] : [{ id, quantity, off: Math.abs(price * quantity - value) }];
  });
  return ofOne
    .sort((a, b) => a.off - b.off)
    .slice(0, mostOfOne)
    .map(({ id, quantity }) => new Map([[id, quantity]]));
}
