import { sumsAlong, type Tally } from '../orders/tally.ts';
import type { Counterfactual } from './counterfactual.ts';
import type { MeasuredOrders } from './measured-orders.ts';

/**
 * Orders of about the same value as one, so that many moves can be weighed at once: bands of a width, in which everything is
 * the orders’ average. Edges that matter stay edges: what is worth as much as one never falls into a band with what is worth less.
 *
 * @param width in the measure; bands begin at its multiples @param edges further values at which a band begins
 */
export function condensed(orders: Counterfactual, width: number, edges: readonly number[]): Counterfactual {
  const { measure, unit, kept } = orders;
  const groups = groupsOf(orders.values, width, edges);
  const counts = groups.map(([from, to]) => sumOf(orders.orders, from, to));
  const average = (of: Float64Array) =>
    Float64Array.from(groups, ([from, to], group) => {
      if (counts[group] === 0) return of[from]!;
      let sum = 0;
      for (let i = from; i < to; i++) sum += of[i]! * orders.orders[i]!;
      return sum / counts[group]!;
    });
  const condensedOrders = Float64Array.from(counts);
  return {
    measure,
    unit,
    kept,
    values: average(orders.values),
    orders: condensedOrders,
    cumulative: sumsAlong(condensedOrders),
    goods: average(orders.goods),
    weights: average(orders.weights),
    prices: average(orders.prices),
  };
}

/** The same of orders as they were seen. */
export function condensedOrders(measured: MeasuredOrders, width: number): MeasuredOrders {
  const { tally, goods } = measured;
  const groups = groupsOf(tally.values, width, measured.goal === null ? [] : [measured.goal]);
  const ends = (sums: Float64Array) => Float64Array.from(groups, ([, to]) => sums[to - 1]!);
  const average = (of: Float64Array) =>
    Float64Array.from(groups, ([from, to]) => {
      let [sum, orders, before] = [0, 0, from > 0 ? tally.cumulative[from - 1]! : 0];
      for (let i = from; i < to; i++) {
        const count = tally.cumulative[i]! - before;
        before = tally.cumulative[i]!;
        sum += of[i]! * count;
        orders += count;
      }
      return sum / orders;
    });
  const values = average(tally.values);
  const condensedTally: Tally = {
    ...tally,
    values,
    cumulative: ends(tally.cumulative),
    paying: ends(tally.paying),
    paid: ends(tally.paid),
    paidSquares: ends(tally.paidSquares),
    free: ends(tally.free),
  };
  return { ...measured, tally: condensedTally, goods: goods === tally.values ? values : average(goods) };
}

/** Stretches of places whose values lie in one band. */
function groupsOf(values: Float64Array, width: number, edges: readonly number[]): [from: number, to: number][] {
  const groups: [number, number][] = [];
  const cuts = [...edges].sort((a, b) => a - b);
  let band = NaN;
  let cut = 0;
  for (let i = 0; i < values.length; i++) {
    const value = values[i]!;
    const crossed = cut;
    while (cut < cuts.length && cuts[cut]! <= value) cut++;
    const own = Math.floor(value / width);
    if (own !== band || cut !== crossed) groups.push([i, i + 1]);
    else groups.at(-1)![1] = i + 1;
    band = own;
  }
  return groups;
}

function sumOf(values: Float64Array, from: number, to: number): number {
  let sum = 0;
  for (let i = from; i < to; i++) sum += values[i]!;
  return sum;
}
