import { sumsAlong, type Tally } from '../orders/tally.ts';
import type { Counterfactual } from './counterfactual.ts';
import type { MeasuredOrders } from './measured-orders.ts';

/** Bands of one width that begin at its multiples, up to an end, and at further values. @returns where bands begin, ascending */
export function evenBands(width: number, end: number, further: readonly (number | null)[]): number[] {
  const begins = Array.from({ length: Math.floor(end / width) + 1 }, (_, i) => i * width);
  return [...begins, ...further.filter((one) => one !== null)].sort((a, b) => a - b);
}

/** So fine that a move is weighed as it is order by order, but for what no one sees. */
const fine = 2000;

/** Orders in bands that are fine enough for anything that is asked of them. @param present goal in force, in the measure */
export function finely(measured: MeasuredOrders, end: number, present: number | null): MeasuredOrders {
  if (measured.measure === 'items') return measured;
  return condensedOrders(measured, evenBands(Math.max(1, end / fine), end, [measured.goal, present]));
}

/**
 * Orders of about the same value as one, so that many moves can be weighed at once: bands, in which everything is
 * the orders’ average.
 *
 * @param begins where bands begin, ascending: what is worth as much never falls into a band with what is worth less
 */
export function condensed(orders: Counterfactual, begins: readonly number[]): Counterfactual {
  const { measure, unit, kept } = orders;
  const groups = groupsOf(orders.values, begins);
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
export function condensedOrders(measured: MeasuredOrders, begins: readonly number[]): MeasuredOrders {
  const { tally, goods } = measured;
  const groups = groupsOf(tally.values, begins);
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
function groupsOf(values: Float64Array, begins: readonly number[]): [from: number, to: number][] {
  const groups: [number, number][] = [];
  let next = 0;
  for (let i = 0; i < values.length; i++) {
    const value = values[i]!;
    const before = next;
    while (next < begins.length && begins[next]! <= value) next++;
    if (i === 0 || next !== before) groups.push([i, i + 1]);
    else groups.at(-1)![1] = i + 1;
  }
  return groups;
}

function sumOf(values: Float64Array, from: number, to: number): number {
  let sum = 0;
  for (let i = from; i < to; i++) sum += values[i]!;
  return sum;
}
