import { alikeParts } from './alike.ts';
import { readOptions, type ReadOptions } from './read-options.ts';
import { priceUnder } from './read-rule.ts';
import { measuredOf, placesBy, type ReadableOrders } from './readable-orders.ts';

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
  read: ReadOptions;
  places: Uint32Array;
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
export function readAreas(orders: ReadableOrders, places: Uint32Array, read: ReadOptions): ReadArea[] {
  const apart = placesBy(places, partsApart(orders, places, read))
    .filter((one): one is [string, Uint32Array] => one[0] !== null)
    .map(([key, some]): [AreaPart, Uint32Array] => [JSON.parse(key) as AreaPart, some]);
  return alikeParts(orders, apart).map(({ keys, places: some }) => ({
    parts: keys,
    read: readOptions(orders, some),
    places: some,
  }));
}

/** How many orders of a part should pay something, and of them do not pay just that. */
interface Counted {
  orders: number;
  unlike: number;
}

/** Tells of an order in which part that pays otherwise it lies; null: in none. */
function partsApart(orders: ReadableOrders, places: Uint32Array, read: ReadOptions): (place: number) => string | null {
  const { columns, shipments } = orders;
  const measured = measuredOf(orders);
  const rules = new Map(
    read.options.map(({ option, read: { rules: dated } }) => [columns.options.indexOf(option), dated]),
  );
  const counted = new Map<string, Counted>();
  for (const place of places) {
    const day = columns.day[place]!;
    const dated = rules.get(columns.option[place]!)?.find(({ from, to }) => day >= from && day < to);
    const price = dated ? priceUnder(dated.rule, measured, place) : null;
    const unlike = price !== columns.delivery[place];
    if (price === 0 && !unlike) continue;
    for (const part of partsOf(shipments.places[shipments.place[place]!]!)) {
      const count = counted.get(part) ?? { orders: 0, unlike: 0 };
      count.orders++;
      if (unlike) count.unlike++;
      counted.set(part, count);
    }
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
