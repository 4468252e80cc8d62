/** Distinct order values of a market as they travel: small numbers instead of large ones. */
export interface ValueCounts {
  currency: string | null;
  orders: number;
  /** ascending, minor units, as differences to the one before */
  valueSteps: number[];
  counts: number[];
}

/** How order values are distributed: distinct values ascending (minor units) and the orders at or below each. */
export interface Distribution {
  values: ArrayLike<number>;
  /** cumulative[i] = orders worth at most values[i] */
  cumulative: ArrayLike<number>;
  orders: number;
}

/** The distribution behind value counts. */
export function distributionOf({ valueSteps, counts }: Pick<ValueCounts, 'valueSteps' | 'counts'>): Distribution {
  const values: number[] = [];
  const cumulative: number[] = [];
  let value = 0;
  let orders = 0;
  for (let i = 0; i < valueSteps.length; i++) {
    value += valueSteps[i]!;
    orders += counts[i]!;
    values.push(value);
    cumulative.push(orders);
  }
  return { values, cumulative, orders };
}

/** The index of the first distinct value of at least `value`. */
export function indexFrom({ values }: Pick<Distribution, 'values'>, value: number): number {
  return firstAtLeast(values, value);
}

function firstAtLeast(ascending: ArrayLike<number>, wanted: number): number {
  let low = 0;
  let high = ascending.length;
  while (low < high) {
    const middle = (low + high) >> 1;
    if (ascending[middle]! < wanted) low = middle + 1;
    else high = middle;
  }
  return low;
}

/** Number of orders worth less than `value` (minor units). Exact. */
export function ordersBelow(distribution: Distribution, value: number): number {
  const index = indexFrom(distribution, value);
  return index === 0 ? 0 : distribution.cumulative[index - 1]!;
}

/** Number of orders in the half-open band [from, to). */
export function ordersBetween(distribution: Distribution, from: number, to: number): number {
  return Math.max(0, ordersBelow(distribution, to) - ordersBelow(distribution, from));
}

/** The smallest value that at least `share` of the orders do not exceed; 0 without orders. */
export function valueAtShare({ values, cumulative, orders }: Distribution, share: number): number {
  const index = firstAtLeast(cumulative, share * orders);
  return index < values.length ? values[index]! : 0;
}

/** Value of the nth order from the lowest, counted from 0. */
export function nthValue({ values, cumulative }: Distribution, n: number): number {
  return values[firstAtLeast(cumulative, n + 1)]!;
}

export interface Band {
  from: number;
  to: number;
  orders: number;
}

/** Contiguous half-open bands of a width from 0 to beyond `until`. Minor units. */
export function bands(distribution: Distribution, width: number, until: number): Band[] {
  const result: Band[] = [];
  for (let from = 0; from < until; from += width)
    result.push({ from, to: from + width, orders: ordersBetween(distribution, from, from + width) });
  return result;
}

/** Orders that lie beyond the last of those bands, and from which amount on. Minor units. */
export function beyondBands(
  distribution: Distribution,
  width: number,
  until: number,
): { from: number; orders: number } {
  const from = Math.ceil(until / width) * width;
  return { from, orders: distribution.orders - ordersBelow(distribution, from) };
}

/**
 * Where orders count as within reach of a goal when nothing else is assumed: those that lack at most a fifth of it.
 * @returns the lower bound, minor units
 */
export function reachFrom(goal: number): number {
  return goal - Math.floor(goal / 5);
}
