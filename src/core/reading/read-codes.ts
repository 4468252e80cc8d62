import type { ReadOptions } from './read-options.ts';
import { pricesOf } from './prices-of.ts';
import type { ReadableOrders } from './readable-orders.ts';

/** A code with which delivery was free where it would have cost something. */
export interface ReadCode {
  code: string;
  /** orders with it that would have paid, and of them those that did not */
  orders: number;
  free: number;
}

const fewestOrders = 5;
const mostly = 0.9;
/** More are not told apart from orders that were changed by hand. */
const mostCodes = 100;

/** Codes that made delivery free. @param read the rules that hold without codes */
export function readCodes(orders: ReadableOrders, places: Uint32Array, read: ReadOptions): ReadCode[] {
  const { columns, shipments } = orders;
  if (shipments.codes.length === 1) return [];
  const priceOf = pricesOf(orders, read);
  const counted = new Map<string, ReadCode>();
  for (const place of places) {
    const code = shipments.codes[shipments.code[place]!]!;
    if (code === '') continue;
    const price = priceOf(place);
    if (price === null || price === 0) continue;
    const count = counted.get(code) ?? { code, orders: 0, free: 0 };
    count.orders++;
    if (columns.delivery[place] === 0) count.free++;
    counted.set(code, count);
  }
  return [...counted.values()]
    .filter(({ orders: all, free }) => all >= fewestOrders && free >= mostly * all)
    .sort((a, b) => b.orders - a.orders)
    .slice(0, mostCodes);
}
