import type { Catalogue, Product } from '../catalogue/product.ts';
import { priceIn } from '../catalogue/product-amount.ts';
import type { MarketTerms } from '../markets/terms.ts';

/**
 * The cheapest products a single piece of which closes a gap.
 *
 * @param gap minor units of the market @param count how many to name @returns with the price of a piece, minor units
 */
export function gapProducts(
  catalogue: Catalogue,
  terms: MarketTerms,
  gap: number,
  count: number,
): { product: Product; price: number }[] {
  const closing: { product: Product; price: number }[] = [];
  for (const product of catalogue.values()) {
    const price = priceIn(product, terms);
    if (price !== undefined && price >= gap && product.countsTowardGoals) closing.push({ product, price });
  }
  return closing.sort((a, b) => a.price - b.price || (a.product.id < b.product.id ? -1 : 1)).slice(0, count);
}
