import { gapAround, roundestIn, type Gap } from './gap.ts';

/** One price of a stepped function, from an amount of its measure on. */
export interface ReadStep {
  /** the roundest amount of the gap; 0 for the first */
  from: number;
  /** the boundary lies above `after` and at most at `until`: between what was seen on either side; null for the first */
  gap: Gap | null;
  /** minor units */
  price: number;
  /** orders that pay just that, within the step */
  explained: number;
}

/** So many different prices are looked at, the commonest. */
const mostPrices = 24;
/** More steps no price list has. */
const mostSteps = 100;

/**
 * The price as a function of one measure that is constant between edges, and that explains as many orders as it can: each
 * order that pays another price costs 1, each edge costs a penalty. The least cost is found exactly, by dynamic programming over the
 * distinct values with the price as state, which is optimal partitioning with the price that is commonest in each part.
 * Source: B. Jackson et al., An algorithm for optimal partitioning of data on an interval, IEEE Signal Processing Letters 12 (2005).
 *
 * @param measured ascending @param paid along them, minor units @param penalty orders that an edge has to explain at least
 */
export function readSteps(measured: ArrayLike<number>, paid: ArrayLike<number>, penalty: number): ReadStep[] {
  const count = measured.length;
  if (count === 0) return [];
  const prices = commonest(paid);
  const known = new Map(prices.map((price, state) => [price, state]));
  const states = prices.length;
  // Along distinct values: where each begins, and for each price whether it was taken over from the cheapest other.
  const begins: number[] = [];
  for (let i = 0; i < count; i++) if (i === 0 || measured[i] !== measured[i - 1]) begins.push(i);
  const came = new Uint8Array(begins.length * states);
  let cost = new Float64Array(states);
  let next = new Float64Array(states);
  for (const [value, begin] of begins.entries()) {
    const end = begins[value + 1] ?? count;
    let cheapest = 0;
    for (let state = 1; state < states; state++) if (cost[state]! < cost[cheapest]!) cheapest = state;
    next.fill(end - begin);
    for (let i = begin; i < end; i++) {
      const state = known.get(paid[i]!);
      if (state !== undefined) next[state]!--;
    }
    const change = value === 0 ? Infinity : cost[cheapest]! + penalty;
    for (let state = 0; state < states; state++) {
      const changed = change < cost[state]!;
      came[value * states + state] = changed ? cheapest : state;
      next[state]! += changed ? change : cost[state]!;
    }
    [cost, next] = [next, cost];
  }
  let state = 0;
  for (let other = 1; other < states; other++) if (cost[other]! < cost[state]!) state = other;
  const edges: { value: number; state: number }[] = [];
  for (let value = begins.length - 1; value >= 0; value--) {
    const before = came[value * states + state]!;
    if (value === 0 || before !== state) edges.push({ value, state });
    state = before;
  }
  edges.reverse();
  return edges.slice(0, mostSteps).map(({ value, state: own }, i): ReadStep => {
    const begin = begins[value]!;
    const end = i + 1 < edges.length ? begins[edges[i + 1]!.value]! : count;
    const price = prices[own]!;
    let explained = 0;
    for (let at = begin; at < end; at++) if (paid[at] === price) explained++;
    if (i === 0) return { from: 0, gap: null, price, explained };
    const gap = gapAround({ measured, paid }, begin, { before: prices[edges[i - 1]!.state]!, after: price });
    return { from: roundestIn(gap), gap, price, explained };
  });
}

function commonest(paid: ArrayLike<number>): number[] {
  const counts = new Map<number, number>();
  for (let i = 0; i < paid.length; i++) counts.set(paid[i]!, (counts.get(paid[i]!) ?? 0) + 1);
  return [...counts]
    .sort((a, b) => b[1] - a[1])
    .slice(0, mostPrices)
    .map(([price]) => price);
}
