import { alikeParts } from './alike.ts';
import { readAreas, type ReadArea } from './read-areas.ts';
import { readCodes, type ReadCode } from './read-codes.ts';
import { pricesOf } from './prices-of.ts';
import { readOptions, type ReadOptions } from './read-options.ts';
import { placesBy, placesKnown, someOf, type ReadableOrders } from './readable-orders.ts';
import { unlikeRules, type UnlikeRules } from './unlike-rules.ts';

/** A market as orders show it: countries that are paid for in one currency and have the same rules. */
export interface ReadMarket {
  currency: string;
  /** that with most orders first */
  countries: string[];
  /** orders that say what delivery cost, and those that pay just what the rules say, or have a code that explains them */
  orders: number;
  explained: number;
  /** everywhere but in the areas */
  read: ReadOptions;
  areas: ReadArea[];
  codes: ReadCode[];
  /** those that are not explained */
  unlike: UnlikeRules;
}

/** So many orders tell which parts of a market pay otherwise. */
const enoughForAreas = 40_000;

/** Countries with fewer orders tell nothing of their own: they go with the first market of their currency. */
const fewestOrders = 30;

/**
 * Reads the rules of a store from its orders (2-domain §10).
 *
 * @param all orders by currency @param progress told the share of the orders that have been read @returns the market with most orders first
 */
export function readStore(all: readonly ReadableOrders[], progress: (share: number) => void = () => {}): ReadMarket[] {
  const total = all.reduce((sum, { columns }) => sum + columns.count, 0);
  let done = 0;
  const markets: ReadMarket[] = [];
  for (const orders of all) {
    for (const { keys, places } of countriesAlike(orders)) {
      markets.push(readMarket(orders, keys, places));
      done += places.length;
      progress(total === 0 ? 1 : Math.min(1, done / total));
    }
  }
  return markets.sort((a, b) => b.orders - a.orders);
}

function countriesAlike(orders: ReadableOrders): { keys: string[]; places: Uint32Array }[] {
  const { shipments } = orders;
  const byCountry = placesBy(placesKnown(orders), (place) => shipments.places[shipments.place[place]!]![0]);
  const many = byCountry.filter(([, places]) => places.length >= fewestOrders);
  const few = byCountry.filter(([, places]) => places.length < fewestOrders);
  const groups = alikeParts(orders, many);
  for (const [country, places] of few) {
    const [first] = groups;
    if (!first) groups.push({ keys: [country], places });
    else {
      first.keys.push(country);
      first.places = Uint32Array.from([...first.places, ...places]).sort();
    }
  }
  return groups;
}

function readMarket(orders: ReadableOrders, countries: string[], places: Uint32Array): ReadMarket {
  // Some tell where orders pay otherwise; the rules are read from all that do not.
  const some = someOf(places, enoughForAreas);
  const roughly = readOptions(orders, some);
  const found = readAreas(orders, places, roughly);
  /** by place: which area it lies in, from 1 */
  const areaOf = new Uint16Array(orders.columns.count);
  for (const [i, one] of found.entries()) for (const place of one.places) areaOf[place] = i + 1;
  const rest = found.length === 0 ? places : places.filter((place) => areaOf[place] === 0);
  const read = rest === some ? roughly : readOptions(orders, rest);
  const areas = found.map(({ area }) => area);
  const codes = readCodes(orders, rest, read);
  const unlike = unlikeRules(orders, places, priceWith(orders, { read, areas, codes }, areaOf));
  return {
    currency: orders.currency,
    countries,
    orders: places.length,
    explained: places.length - unlike.orders,
    read,
    areas,
    codes,
    unlike,
  };
}

/** What an order pays by all that was read of its market. */
function priceWith(
  orders: ReadableOrders,
  { read, areas, codes }: Pick<ReadMarket, 'read' | 'areas' | 'codes'>,
  areaOf: Uint16Array,
): (place: number) => number | null {
  const everywhere = pricesOf(orders, read);
  const inAreas = areas.map((area) => {
    if (area.more === null) return pricesOf(orders, area.read);
    const { more } = area;
    return (place: number) => {
      const price = everywhere(place);
      return price === null || price === 0 ? price : price + more;
    };
  });
  const freeWith = new Set(codes.map(({ code }) => code));
  return (place) => {
    const inArea = areaOf[place]!;
    if (inArea > 0) return inAreas[inArea - 1]!(place);
    const { codes: written, code } = orders.shipments;
    return freeWith.has(written[code[place]!]!) ? 0 : everywhere(place);
  };
}
