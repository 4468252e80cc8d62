import { alikeParts } from './alike.ts';
import { readOptions, type ReadOptions } from './read-options.ts';
import { pricesOf } from './prices-of.ts';
import { placesBy, type ReadableOrders } from './readable-orders.ts';

/** A part of a country: a region as the orders write it, or how its postcodes begin. */
export interface AreaPart {
  country: string;
  region: string | null;
  /** null where it is a region */
  postcode: string | null;
}

/** Parts of a market that pay otherwise. */
export interface ReadArea {
  parts: AreaPart[];
  orders: number;
  explained: number;
  /** what is paid there beyond the market’s own price where that is not nothing, minor units; null: it has rules of its own */
  more: number | null;
  /** its own rules, as far as its orders tell */
  read: ReadOptions;
}

const longestPrefix = 4;
const fewestOrders = 12;
/** A part pays otherwise where so many of its orders that should pay something do not pay just that. */
const otherwise = 0.6;

/**
 * Where orders pay otherwise than the rest of a market: regions, and beginnings of postcodes as short as they can be, in which most
 * orders are not explained by the market’s rules. Those that have the same rules are one area.
 *
 * @param places of the market’s orders @param read its rules
 */
export function readAreas(
  orders: ReadableOrders,
  places: Uint32Array,
  read: ReadOptions,
): { area: ReadArea; places: Uint32Array }[] {
  const apart = placesBy(places, partsApart(orders, places, read))
    .filter((one): one is [string, Uint32Array] => one[0] !== null)
    .map(([key, some]): [AreaPart, Uint32Array] => [JSON.parse(key) as AreaPart, some]);
  return alikeParts(orders, apart).map(({ keys, places: some }) => {
    const own = readOptions(orders, some);
    const beyond = readBeyond(orders, some, read);
    // A surcharge says more with less: it is taken where it explains as much as rules of its own do.
    const more = beyond && beyond.explained >= own.explained ? beyond.more : null;
    const explained = more === null ? own.explained : beyond!.explained;
    return { area: { parts: keys, orders: some.length, explained, more, read: own }, places: some };
  });
}

/** What most orders pay beyond the market’s price, where that is not nothing; null: none pays more. */
function readBeyond(
  orders: ReadableOrders,
  places: Uint32Array,
  read: ReadOptions,
): { more: number; explained: number } | null {
  const { delivery } = orders.columns;
  const priceOf = pricesOf(orders, read);
  const beyond = new Map<number, number>();
  let nothing = 0;
  for (const place of places) {
    const price = priceOf(place);
    if (price === 0 && delivery[place] === 0) nothing++;
    if (price === null || price === 0) continue;
    const more = delivery[place]! - price;
    beyond.set(more, (beyond.get(more) ?? 0) + 1);
  }
  const most = [...beyond].reduce<[number, number]>((best, one) => (one[1] > best[1] ? one : best), [0, 0]);
  return most[0] === 0 ? null : { more: most[0], explained: nothing + most[1] };
}

/** How many orders of a part should pay something, and of them do not pay just that. */
interface Counted {
  orders: number;
  unlike: number;
}

/** Tells of an order in which part that pays otherwise it lies; null: in none. */
function partsApart(orders: ReadableOrders, places: Uint32Array, read: ReadOptions): (place: number) => string | null {
  const { columns, shipments } = orders;
  const priceOf = pricesOf(orders, read);
  const byPlace = new Map<number, Counted>();
  const counted = new Map<string, Counted>();
  for (const place of places) {
    const price = priceOf(place);
    const unlike = price !== columns.delivery[place];
    if (price === 0 && !unlike) continue;
    const at = shipments.place[place]!;
    const count = byPlace.get(at) ?? { orders: 0, unlike: 0 };
    count.orders++;
    if (unlike) count.unlike++;
    byPlace.set(at, count);
  }
  for (const [at, { orders: all, unlike }] of byPlace)
    for (const part of partsOf(shipments.places[at]!)) {
      const count = counted.get(part) ?? { orders: 0, unlike: 0 };
      count.orders += all;
      count.unlike += unlike;
      counted.set(part, count);
    }
  const isApart = (part: string) => {
    const count = counted.get(part);
    return count !== undefined && count.orders >= fewestOrders && count.unlike >= otherwise * count.orders;
  };
  const known = new Map<number, string | null>();
  return (place) => {
    const at = shipments.place[place]!;
    let part = known.get(at);
    if (part === undefined) known.set(at, (part = partsOf(shipments.places[at]!).find(isApart) ?? null));
    return part;
  };
}

/** The parts an order’s place lies in, the widest first. */
function partsOf([country, region, postcode]: readonly [string, string, string]): string[] {
  const key = (part: Partial<AreaPart>) => JSON.stringify({ country, region: null, postcode: null, ...part });
  const code = postcode.toUpperCase();
  return [
    ...(region === '' ? [] : [key({ region })]),
    ...Array.from({ length: Math.min(longestPrefix, code.length) }, (_, i) => key({ postcode: code.slice(0, i + 1) })),
  ];
}
