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
  const passes = passer(columns, filter);
  const tally = new Tallying(columns);
  for (let i = 0; i < columns.count; i++) if (passes(i)) tally.add(columns.goods[i]!, i);
  return tally.done();
}

/** Orders at some places, by what is measured of them. @param measured by place */
export function tallyBy(columns: OrderColumns, measured: ArrayLike<number>, places: Iterable<number>): Tally {
  const tally = new Tallying(columns);
  for (const place of places) tally.add(measured[place]!, place);
  return tally.done();
}

class Tallying {
  readonly #delivery: Float64Array;
  readonly #places = new Map<number, number>();
  readonly #values: number[] = [];
  readonly #orders: number[] = [];
  readonly #paying: number[] = [];
  readonly #paid: number[] = [];
  readonly #squares: number[] = [];
  readonly #free: number[] = [];
  #unknown = 0;

  constructor({ delivery }: OrderColumns) {
    this.#delivery = delivery;
  }

  add(value: number, index: number): void {
    let place = this.#places.get(value);
    if (place === undefined) {
      place = this.#values.push(value) - 1;
      this.#places.set(value, place);
      for (const sums of [this.#orders, this.#paying, this.#paid, this.#squares, this.#free]) sums.push(0);
    }
    const charge = this.#delivery[index]!;
    this.#orders[place]!++;
    if (charge > 0) {
      this.#paying[place]!++;
      this.#paid[place]! += charge;
      this.#squares[place]! += charge * charge;
    } else if (charge === 0) this.#free[place]!++;
    else this.#unknown++;
  }

  done(): Tally {
    const values = this.#values;
    const ascending = Uint32Array.from(values, (_, i) => i).sort((a, b) => values[a]! - values[b]!);
    const running = (single: readonly number[]) => sumsAlong(Float64Array.from(ascending, (place) => single[place]!));
    const cumulative = running(this.#orders);
    return {
      values: Float64Array.from(ascending, (place) => values[place]!),
      cumulative,
      paying: running(this.#paying),
      paid: running(this.#paid),
      paidSquares: running(this.#squares),
      free: running(this.#free),
      orders: cumulative[cumulative.length - 1] ?? 0,
      unknown: this.#unknown,
    };
  }
}

/** Running sums. */
export function sumsAlong(single: Float64Array): Float64Array {
  const sums = new Float64Array(single.length);
  let sum = 0;
  for (let i = 0; i < single.length; i++) sums[i] = sum += single[i]!;
  return sums;
}

/** What each adds to a running sum. */
export function singly(sums: Float64Array): Float64Array {
  const single = sums.slice();
  for (let i = single.length - 1; i > 0; i--) single[i]! -= sums[i - 1]!;
  return single;
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
