import { ordersBetween, type Distribution } from './distribution.ts';

/** A product that can close a gap to a goal. */
interface Lift {
  productId: string;
  /** minor units */
  price: number;
  /** orders of the group that one piece of it would lift to the goal or above */
  orders: number;
}

/**
 * How many orders of a group one more piece of a product would lift over a goal: those that lack at most its price.
 *
 * @param group [from, to), minor units @param prices of products that count toward goals, by id
 * @param dearest products above that price are left out
 * @returns `any`: orders lifted by at least one of the products, which are those the dearest lifts; products by price
 */
export function liftsOver(
  distribution: Distribution,
  group: { from: number; to: number },
  goal: number,
  prices: Iterable<[string, number]>,
  dearest: number,
): { any: number; products: Lift[] } {
  const products: Lift[] = [];
  let any = 0;
  for (const [productId, price] of prices) {
    if (price > dearest || price <= 0) continue;
    const orders = ordersBetween(distribution, Math.max(group.from, goal - price), Math.min(group.to, goal));
    any = Math.max(any, orders);
    if (orders > 0) products.push({ productId, price, orders });
  }
  return { any, products: products.sort((a, b) => a.price - b.price || (a.productId < b.productId ? -1 : 1)) };
}
