import type { OrderColumns } from './columns.ts';
import { shopperNew, shopperReturning } from './columns.ts';
import { indexFrom, type Distribution, type ValueCounts } from './distribution.ts';

/** Which orders are looked at. */
export interface OrderFilter {
  /** days since 1970-01-01, [fromDay, toDay) */
  fromDay: number;
  toDay: number;
  shopper: 'all' | 'new' | 'returning';
  /** null: all */
  option: string | null;
  delivery: 'all' | 'paid' | 'free';
}

export const allOrders: OrderFilter = { fromDay: 0, toDay: Infinity, shopper: 'all', option: null, delivery: 'all' };

/**
 * Orders by value: the distribution, and what they paid for delivery. Sums run along the distinct values as `cumulative`
 * does: at i, that of all orders worth at most values[i].
 */
export interface Tally extends Distribution {
  values: Float64Array;
  cumulative: Float64Array;
  /** orders known to have paid for delivery */
  paying: Float64Array;
  /** what they paid, minor units */
  paid: Float64Array;
  /** of the squares of what each paid */
  paidSquares: Float64Array;
  /** orders known to have had it free */
  free: Float64Array;
  /** orders of which nothing is known of that, in all */
  unknown: number;
}

/** Tells whether the order at a position is among those looked at. */
export function passer(
  { day, shopper, option, options, delivery }: OrderColumns,
  filter: OrderFilter,
): (i: number) => boolean {
  const { fromDay, toDay } = filter;
  const wantedShopper = { all: -1, new: shopperNew, returning: shopperReturning }[filter.shopper];
  const anyOption = filter.option === null;
  const wantedOption = anyOption ? -1 : options.indexOf(filter.option!);
  const paid = filter.delivery === 'paid';
  const anyDelivery = filter.delivery === 'all';
  return (i) =>
    day[i]! >= fromDay &&
    day[i]! < toDay &&
    (wantedShopper < 0 || shopper[i] === wantedShopper) &&
    (anyOption || option[i] === wantedOption) &&
    (anyDelivery || (paid ? delivery[i]! > 0 : delivery[i] === 0));
}

/** The orders of a filter, by value. */
export function tallyOf(columns: OrderColumns, filter: OrderFilter): Tally {
  const { count, goods, delivery } = columns;
  const passes = passer(columns, filter);
  const places = new Map<number, number>();
  const values: number[] = [];
  const orders: number[] = [];
  const paying: number[] = [];
  const paid: number[] = [];
  const squares: number[] = [];
  const free: number[] = [];
  let unknown = 0;
  for (let i = 0; i < count; i++) {
    if (!passes(i)) continue;
    const value = goods[i]!;
    let place = places.get(value);
    if (place === undefined) {
      place = values.push(value) - 1;
      places.set(value, place);
      for (const sums of [orders, paying, paid, squares, free]) sums.push(0);
    }
    const charge = delivery[i]!;
    orders[place]!++;
    if (charge > 0) {
      paying[place]!++;
      paid[place]! += charge;
      squares[place]! += charge * charge;
    } else if (charge === 0) free[place]!++;
    else unknown++;
  }
  const ascending = Uint32Array.from(values, (_, i) => i).sort((a, b) => values[a]! - values[b]!);
  const running = (single: readonly number[]) => {
    const sums = new Float64Array(ascending.length);
    let sum = 0;
    for (let i = 0; i < sums.length; i++) sums[i] = sum += single[ascending[i]!]!;
    return sums;
  };
  const cumulative = running(orders);
  return {
    values: Float64Array.from(ascending, (place) => values[place]!),
    cumulative,
    paying: running(paying),
    paid: running(paid),
    paidSquares: running(squares),
    free: running(free),
    orders: cumulative[cumulative.length - 1] ?? 0,
    unknown,
  };
}

/** A running sum over all orders worth less than a value. */
export function sumBelow(tally: Tally, sums: ArrayLike<number>, value: number): number {
  const index = indexFrom(tally, value);
  return index === 0 ? 0 : sums[index - 1]!;
}

/** The distribution as it travels. */
export function valueCountsOf({ values, cumulative, orders }: Distribution, currency: string): ValueCounts {
  const result: ValueCounts = { currency: orders > 0 ? currency : null, orders, valueSteps: [], counts: [] };
  for (let i = 0; i < values.length; i++) {
    result.valueSteps.push(values[i]! - (i > 0 ? values[i - 1]! : 0));
    result.counts.push(cumulative[i]! - (i > 0 ? cumulative[i - 1]! : 0));
  }
  return result;
}
