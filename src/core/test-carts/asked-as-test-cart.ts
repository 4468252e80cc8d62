import type { Catalogue } from '../catalogue/product.ts';
import type { AskedCart } from '../evaluation/asked-cart.ts';
import type { TestCart } from '../policy/types.ts';

/**
 * What a shop asked, as a test cart. Goods that the catalogue does not have, and facts that lines brought along, are left out:
 * a test cart is of the catalogue’s products as they are.
 *
 * @param bySku ids of products by SKU
 * @returns the cart, and what the shop called that of which something is left out
 */
export function askedAsTestCart(
  { lines, discounts, ...asked }: AskedCart,
  catalogue: Catalogue,
  bySku: ReadonlyMap<string, string>,
  named: Pick<TestCart, 'name' | 'language'> & Partial<Pick<TestCart, 'at' | 'placed'>>,
): { cart: TestCart; without: string[] } {
  const quantities = new Map<string, number>();
  const without: string[] = [];
  for (const { product, quantity, facts } of lines) {
    const id = catalogue.has(product) ? product : bySku.get(product);
    if (id === undefined || facts) without.push(product);
    if (id !== undefined) quantities.set(id, (quantities.get(id) ?? 0) + quantity);
  }
  const { codes, channel, shopper, destination, quotes, redemptions, earlier } = asked;
  return {
    without,
    cart: {
      order: 1,
      pinned: false,
      ...named,
      destination,
      lines: Object.fromEntries([...quantities].map(([id, quantity], index) => [id, { quantity, order: index + 1 }])),
      ...(codes && codes.length > 0 ? { codes: [...new Set(codes)] } : {}),
      ...(discounts && discounts.length > 0
        ? {
            discounts: Object.fromEntries(
              discounts.map((discount, index) => [`d${index + 1}`, { order: index + 1, discount }]),
            ),
          }
        : {}),
      ...(channel === undefined ? {} : { channel }),
      ...(shopper ? { shopper } : {}),
      ...(quotes ? { quotes } : {}),
      ...(redemptions ? { redemptions } : {}),
      ...(earlier ? { earlier } : {}),
    },
  };
}
