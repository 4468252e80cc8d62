import type { OrderPlace } from '../orders/replay/shipments.ts';
import type { ReadableOrders } from './readable-orders.ts';

/** An order that does not pay what the rules say. */
export interface UnlikeOrder {
  /** place among its orders */
  at: number;
  /** null: it is not known */
  number: string | null;
  /** days since 1970-01-01 */
  day: number;
  /** minor units */
  value: number;
  place: OrderPlace;
}

/** Orders by one option that should have paid one price and paid another. */
export interface UnlikeGroup {
  option: string;
  /** minor units; null: the rules say nothing of them */
  expected: number | null;
  charged: number;
  orders: number;
  /** some of them, the newest first */
  examples: UnlikeOrder[];
}

/** Orders that do not pay what the rules say. */
export interface UnlikeRules {
  orders: number;
  /** the commonest, that with most orders first */
  groups: UnlikeGroup[];
}

const mostGroups = 5;
const mostExamples = 3;

/** Orders that do not pay just what they should. @param expectedOf an order’s price by the rules; null: they say nothing of it */
export function unlikeRules(
  orders: ReadableOrders,
  places: Uint32Array,
  expectedOf: (place: number) => number | null,
): UnlikeRules {
  const { columns } = orders;
  const found = new Map<string, { expected: number | null; places: number[] }>();
  let count = 0;
  for (const place of places) {
    const expected = expectedOf(place);
    const charged = columns.delivery[place]!;
    if (expected === charged) continue;
    count++;
    const key = `${columns.option[place]} ${expected} ${charged}`;
    const group = found.get(key);
    if (group) group.places.push(place);
    else found.set(key, { expected, places: [place] });
  }
  const groups = [...found.values()].sort((a, b) => b.places.length - a.places.length).slice(0, mostGroups);
  return {
    orders: count,
    groups: groups.map(({ expected, places: all }) => ({
      option: columns.options[columns.option[all[0]!]!]!,
      expected,
      charged: columns.delivery[all[0]!]!,
      orders: all.length,
      examples: [...all]
        .sort((a, b) => columns.day[b]! - columns.day[a]!)
        .slice(0, mostExamples)
        .map((place) => orderAt(orders, place)),
    })),
  };
}

/** What is told of an order to recognise it. */
export const orderAt = ({ columns, shipments, numbers }: ReadableOrders, place: number): UnlikeOrder => ({
  at: place,
  number: numbers?.[place] ?? null,
  day: columns.day[place]!,
  value: columns.goods[place]!,
  place: shipments.places[shipments.place[place]!]!,
});
