import { emptyColumns } from '../../src/core/orders/columns.ts';
import { emptyShipments, placeIndex, type OrderPlace } from '../../src/core/orders/replay/shipments.ts';
import type { ReadableOrders } from '../../src/core/reading/readable-orders.ts';
import type { PriceMeasure } from '../../src/core/reading/read-rule.ts';
import { normal, seededRandom, weightedIndex } from '../../src/core/statistics/random.ts';

/** What delivery by an option truly costs, for some days. */
export interface TrueRule {
  fromDay: number;
  measure: PriceMeasure;
  steps: { from: number; price: number }[];
  freeFrom: number | null;
}

export interface TrueMarket {
  currency: string;
  countries: string[];
  orders: number;
  options: { option: string; rules: TrueRule[] }[];
  /** beginning of postcodes in its first country that pay otherwise, and what they pay by every option more */
  area: { postcode: string; more: number } | null;
}

export interface RandomStore {
  markets: TrueMarket[];
  orders: ReadableOrders[];
  /** orders that pay just what the truth says */
  explained: number;
}

const currencies = ['EUR', 'GBP', 'DKK', 'CHF', 'USD', 'SEK', 'NOK', 'PLN'];
const countries = ['NL', 'GB', 'DK', 'CH', 'US', 'SE', 'NO', 'PL'];
const days = 360;

/**
 * A store of one to eight markets with rules of its own, and orders as they came in under them.
 *
 * @param orders of all markets together; else as chance has it
 */
export function randomStore(seed: number, size: { markets?: number; orders?: number } = {}): RandomStore {
  const random = seededRandom(seed);
  const between = (low: number, high: number) => low + random() * (high - low);
  const whole = (low: number, high: number) => Math.floor(between(low, high + 1));
  const byHand = random() < 0.5 ? between(0, 0.05) : 0;
  const count = size.markets ?? whole(1, 8);
  const markets = Array.from({ length: count }, (_, i): TrueMarket => {
    const orders = size.orders === undefined ? whole(600, 4000) : Math.floor(size.orders / count);
    const changes = random() < 0.4;
    const options = Array.from({ length: whole(1, 3) }, (_unused, k) => {
      const rule = randomRule(random, 0);
      const rules = [rule];
      if (changes) rules.push(changedRule(random, rule, whole(120, 240)));
      return { option: `option-${k + 1}`, rules };
    });
    const area = random() < 0.3 ? { postcode: '9', more: whole(3, 9) * 100 } : null;
    return { currency: currencies[i]!, countries: [countries[i]!], orders, options, area };
  });
  let explained = 0;
  const all = markets.map((market): ReadableOrders => {
    const columns = emptyColumns(
      market.orders,
      market.options.map(({ option }) => option),
    );
    const shipments = emptyShipments(market.orders);
    const known = new Map<string, number>();
    const shares = market.options.map(() => between(0.5, 1.5));
    const middle = Math.log(between(3000, 9000));
    for (let i = 0; i < market.orders; i++) {
      const value = Math.max(100, Math.round(Math.exp(middle + 0.5 * normal(random))));
      const day = Math.floor((i * days) / market.orders);
      const option = weightedIndex(random, shares);
      const items = 1 + Math.floor(-Math.log(1 - random()) * 1.5);
      const grams = Math.round(200 + Math.exp(6.5 + 0.9 * normal(random)));
      const first = whole(1, 9);
      const place: OrderPlace = [market.countries[0]!, '', `${first}${whole(100, 999)}`];
      const rule = market.options[option]!.rules.findLast(({ fromDay }) => fromDay <= day)!;
      const inArea = market.area !== null && place[2].startsWith(market.area.postcode);
      const price = priceOf(rule, { value, grams, items });
      const right = price === 0 || !inArea ? price : price + market.area!.more;
      const paid = random() < byHand ? whole(0, 1500) : right;
      if (paid === right) explained++;
      columns.goods[i] = value;
      columns.delivery[i] = paid;
      columns.day[i] = 20_000 + day;
      columns.option[i] = option;
      columns.items[i] = items;
      shipments.grams[i] = grams;
      shipments.place[i] = placeIndex(shipments.places, known, place);
    }
    return { currency: market.currency, columns, shipments };
  });
  return { markets, orders: all, explained };
}

function randomRule(random: () => number, fromDay: number): TrueRule {
  const whole = (low: number, high: number) => low + Math.floor(random() * (high - low + 1));
  const kind = random();
  const price = whole(3, 12) * 100 + 95;
  const freeFrom = random() < 0.75 ? whole(8, 20) * 500 : null;
  const stepped = (measure: PriceMeasure, edges: number[]): TrueRule => ({
    fromDay,
    measure,
    steps: [0, ...edges].map((from, i) => ({ from, price: price + i * whole(1, 3) * 100 })),
    freeFrom,
  });
  if (kind < 0.45) return stepped('none', []);
  if (kind < 0.7) return { ...stepped('value', [whole(4, 6) * 500]), freeFrom: freeFrom && Math.max(freeFrom, 4500) };
  return kind < 0.9 ? stepped('weight', [1000, 2000].slice(0, whole(1, 2))) : stepped('items', [3]);
}

function changedRule(random: () => number, rule: TrueRule, fromDay: number): TrueRule {
  if (rule.freeFrom !== null && random() < 0.5) return { ...rule, fromDay, freeFrom: rule.freeFrom + 1000 };
  return { ...rule, fromDay, steps: rule.steps.map(({ from, price }) => ({ from, price: price + 100 })) };
}

function priceOf(rule: TrueRule, order: { value: number; grams: number; items: number }): number {
  if (rule.freeFrom !== null && order.value >= rule.freeFrom) return 0;
  const amount = { none: 0, value: order.value, weight: order.grams, items: order.items }[rule.measure];
  return rule.steps.findLast(({ from }) => from <= amount)!.price;
}

/** What was read of a store against its truth. */
export interface Compared {
  /** edges of the truth near which enough orders lie on both sides, and those of them that were read exactly, in their time */
  wanted: number;
  found: number;
  /** edges that were read, and those of them that are none of the truth */
  read: number;
  wrong: number;
  /** orders explained by what was read, and by the truth */
  explained: [read: number, truth: number];
  /** markets that are as they are */
  markets: [right: number, all: number];
}
