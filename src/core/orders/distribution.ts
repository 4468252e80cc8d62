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
  values: number[];
  /** cumulative[i] = orders worth at most values[i] */
  cumulative: number[];
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

/** Number of orders worth less than `value` (minor units). Exact. */
export function ordersBelow({ values, cumulative }: Distribution, value: number): number {
  let low = 0;
  let high = values.length;
  while (low < high) {
    const middle = (low + high) >> 1;
    if (values[middle]! < value) low = middle + 1;
    else high = middle;
  }
  return low === 0 ? 0 : cumulative[low - 1]!;
}

/** Number of orders in the half-open band [from, to). */
export function ordersBetween(distribution: Distribution, from: number, to: number): number {
  return Math.max(0, ordersBelow(distribution, to) - ordersBelow(distribution, from));
}

/** The smallest value that at least `share` of the orders do not exceed; 0 without orders. */
export function valueAtShare({ values, cumulative, orders }: Distribution, share: number): number {
  const wanted = share * orders;
  const index = cumulative.findIndex((count) => count >= wanted);
  return index < 0 ? 0 : values[index]!;
}

export interface Band {
  from: number;
  to: number;
  orders: number;
}

/** Contiguous half-open bands of a width from 0 to beyond `until`. Minor units. */
export function bands(distribution: Distribution, width: number, until: number): Band[] {
  const result: Band[] = [];
  for (let from = 0; from < until; from += width) result.push({ from, to: from + width, orders: ordersBetween(distribution, from, from + width) });
  return result;
}

/**
 * Where orders count as within reach of a goal: those that lack at most a fifth of it. An assumption of the spend
 * line, stated beside it. @returns the lower bound, minor units
 */
export function reachFrom(goal: number): number {
  return goal - Math.floor(goal / 5);
}
