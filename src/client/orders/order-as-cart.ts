import type { FoundOrder } from '../../contract/shapes/order.ts';
import type { Catalogue } from '../../core/catalogue/product.ts';
import { destinationOfOrder } from '../../core/orders/destination-of-order.ts';
import { shopperOfOrder } from '../../core/orders/shopper-of-order.ts';
import type { TestCart } from '../../core/policy/types.ts';

/**
 * A past order as a test cart: its goods where the catalogue still has them, where it went, when it was placed and what was
 * charged. An export does not say who it was, only whether they had ordered before.
 *
 * @returns also the SKUs that the catalogue no longer has
 */
export function orderAsCart(
  order: Omit<FoundOrder, 'market' | 'goods'>,
  catalogue: Catalogue,
  language: string,
): { cart: Omit<TestCart, 'order' | 'lines'>; pieces: Map<string, number>; gone: string[] } {
  const bySku = new Map([...catalogue.values()].map((product) => [product.sku, product.id]));
  const shopper = shopperOfOrder(order.returning);
  const pieces = new Map<string, number>();
  const gone: string[] = [];
  for (const { sku, quantity } of order.lines) {
    const id = bySku.get(sku);
    if (id === undefined) gone.push(sku);
    else pieces.set(id, (pieces.get(id) ?? 0) + quantity);
  }
  return {
    cart: {
      name: `Order ${order.number}`,
      pinned: false,
      language,
      destination: destinationOfOrder(order.country, order.region, order.postcode),
      at: order.placedAt,
      ...(order.code === '' ? {} : { codes: [order.code.toUpperCase()] }),
      ...(shopper ? { shopper } : {}),
      ...(order.delivery === null
        ? {}
        : {
            placed: {
              charged: order.delivery,
              ...(/^[a-z0-9][a-z0-9-]{0,39}$/.test(order.option) ? { option: order.option } : {}),
            },
          }),
    },
    pieces,
    gone,
  };
}
