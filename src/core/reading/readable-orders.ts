import type { OrderColumns } from '../orders/columns.ts';
import type { OrderShipments } from '../orders/replay/shipments.ts';
import type { Measured } from './read-rule.ts';

/** Orders of one currency that rules are read from. */
export interface ReadableOrders {
  currency: string;
  columns: OrderColumns;
  shipments: OrderShipments;
  /** what the shop called them; where they are known */
  numbers?: readonly string[];
}

export const measuredOf = ({ columns, shipments }: ReadableOrders): Measured => ({
  delivery: columns.delivery,
  value: columns.goods,
  weight: shipments.grams,
  items: columns.items,
});

/** Places of orders that say what delivery cost. Those of an experiment’s arm say nothing of what others pay. */
export function placesKnown({ columns }: ReadableOrders): Uint32Array {
  const known = new Uint32Array(columns.count);
  let count = 0;
  for (let i = 0; i < columns.count; i++) if (columns.delivery[i]! >= 0 && columns.arm[i] === 0) known[count++] = i;
  return known.subarray(0, count);
}

/** Places apart by something of them, those with most orders first. */
export function placesBy<K>(places: Uint32Array, of: (place: number) => K): [K, Uint32Array][] {
  const lists = new Map<K, number[]>();
  for (const place of places) {
    const key = of(place);
    const list = lists.get(key);
    if (list) list.push(place);
    else lists.set(key, [place]);
  }
  return [...lists]
    .map(([key, list]): [K, Uint32Array] => [key, Uint32Array.from(list)])
    .sort((a, b) => b[1].length - a[1].length);
}

/** So many at most, spread evenly. */
export function someOf(places: Uint32Array, most: number): Uint32Array {
  if (places.length <= most) return places;
  return Uint32Array.from({ length: most }, (_, i) => places[Math.floor((i * places.length) / most)]!);
}
