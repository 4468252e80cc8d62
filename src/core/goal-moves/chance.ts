import { poissonDeviate, seededRandom } from '../statistics/random.ts';
import type { Tally } from '../orders/tally.ts';
import { condensedOrders, evenBands } from './condense.ts';
import { counterfactualOf } from './counterfactual.ts';
import type { MeasuredOrders } from './measured-orders.ts';
import { netOfMove, type MoveOutcome, type MoveTerms } from './move.ts';

/** By how much chance may move what a candidate brings a month, down and up from what is likely (90 %). */
export interface Chance {
  /** in the order of the candidates asked for; null: no goal */
  candidates: readonly (number | null)[];
  down: Float64Array;
  up: Float64Array;
}

const replicates = 200;
/** Bands up to the goal: fewer where orders are as they would have been, more where they were lifted from and to. */
const bandsToGoal = 50;
const bandsWithin = 200;
const mostBands = 500;
/** Up to so far above a goal orders crowd, as a share of it. */
const crowded = 0.12;
const nearby = [0.8, 1.2] as const;

interface Asked {
  present: number | null;
  candidates: readonly (number | null)[];
  end: number;
}

/**
 * Weighs moves with orders drawn anew: in each band as many as chance might have brought instead of those that came in (Poisson),
 * with the counterfactual found anew from them each time. So what is not known of it is part of the band.
 * Source: the parametric bootstrap of counts as for bunching, R. Chetty et al., Quarterly Journal of Economics 126 (2011); basic
 * interval of A. Davison and D. Hinkley, Bootstrap Methods and their Application (1997), 5.2.
 *
 * @param end beyond which no candidate lies, in the measure @param seed the same seed gives the same
 */
export function chanceOf(
  orders: readonly MeasuredOrders[],
  months: number,
  asked: Asked,
  terms: MoveTerms,
  seed = 1,
): Chance {
  const { present, candidates } = asked;
  const bands = orders.map((one) =>
    one.measure === 'items' ? one : condensedOrders(one, bandsAround(one.goal, asked, terms.response.reach)),
  );
  const nets = (drawn: readonly MeasuredOrders[]) => {
    const parts = drawn.map((one) => counterfactualOf(one, terms.response));
    return candidates.map((candidate) => netOfMove(parts, { present, candidate }, terms) / months);
  };
  const likely = nets(bands);
  const random = seededRandom(seed);
  const found = candidates.map(() => new Float64Array(replicates));
  for (let time = 0; time < replicates; time++) {
    const again = nets(bands.map((one) => ({ ...one, tally: drawnAnew(one.tally, random) })));
    for (const [i, net] of again.entries()) found[i]![time] = net;
  }
  const quantile = (sorted: Float64Array, share: number) => sorted[Math.round(share * (replicates - 1))]!;
  for (const sample of found) sample.sort();
  return {
    candidates,
    down: Float64Array.from(found, (sample, i) => Math.max(0, quantile(sample, 0.95) - likely[i]!)),
    up: Float64Array.from(found, (sample, i) => Math.max(0, likely[i]! - quantile(sample, 0.05))),
  };
}

/** Orders that no goal lifts and no move reaches are one band below and one above. */
function bandsAround(goal: number | null, { present, candidates, end }: Asked, reach: number): number[] {
  // Of a goal that is next to nothing, bands of a share of it would be without number.
  const width = Math.max(1, end / mostBands, (goal ?? present ?? end / 2) / bandsToGoal);
  const goals = [goal, present, ...candidates].filter((one) => one !== null);
  // And somewhat further, as prices are averages over orders worth about as much.
  const [lowest, highest] = [
    Math.min(...goals) * (1 - reach) * nearby[0],
    Math.max(...goals) * (1 + crowded) * nearby[1],
  ];
  const coarse = evenBands(width, end, [goal, present]).filter((begin) => begin >= lowest && begin <= highest);
  if (goal === null) return coarse;
  const narrow = Math.max(1, goal / bandsWithin);
  const within = evenBands(narrow, goal * (1 + crowded), []).filter((begin) => begin >= goal * (1 - reach));
  return [...coarse, ...within].sort((a, b) => a - b);
}

/** Each band with as many orders as chance might bring; what they paid goes with them. In one loop: this is done for each drawing anew. */
function drawnAnew(tally: Tally, random: () => number): Tally {
  const { length } = tally.values;
  const [cumulative, paying, paid, free] = Array.from({ length: 4 }, () => new Float64Array(length)) as Four;
  let [orders, ofPaying, ofPaid, ofFree] = [0, 0, 0, 0];
  for (let i = 0; i < length; i++) {
    const count = at(tally.cumulative, i);
    const drawn = poissonDeviate(random, count);
    const share = count === 0 ? 0 : drawn / count;
    cumulative[i] = orders += drawn;
    paying[i] = ofPaying += at(tally.paying, i) * share;
    paid[i] = ofPaid += at(tally.paid, i) * share;
    free[i] = ofFree += at(tally.free, i) * share;
  }
  return { ...tally, cumulative, paying, paid, free, orders };
}

type Four = [Float64Array, Float64Array, Float64Array, Float64Array];

/** What running sums gain at a place. */
const at = (sums: Float64Array, i: number): number => sums[i]! - (i > 0 ? sums[i - 1]! : 0);

/** An outcome with the band that chance gives it: between two candidates it is as it is between their bands. */
export function withChance(outcome: MoveOutcome, { candidates, down, up }: Chance): MoveOutcome {
  const at = placeOf(candidates, outcome.candidate);
  if (at === null) return outcome;
  const between = (of: Float64Array) => {
    const low = Math.floor(at);
    const next = of[low + 1];
    return next === undefined || at === low ? of[low]! : of[low]! + (at - low) * (next - of[low]!);
  };
  return { ...outcome, low: outcome.ends[0] - between(down), high: outcome.ends[1] + between(up) };
}

/** Where a candidate stands among others, which ascend, *no goal* last; null: not among them. */
function placeOf(candidates: readonly (number | null)[], candidate: number | null): number | null {
  if (candidate === null) {
    const place = candidates.lastIndexOf(null);
    return place < 0 ? null : place;
  }
  const amounts = candidates.filter((one): one is number => one !== null);
  if (amounts.length === 0) return null;
  const next = amounts.findIndex((amount) => amount >= candidate);
  if (next < 0) return amounts.length - 1;
  if (next === 0) return 0;
  const [below, above] = [amounts[next - 1]!, amounts[next]!];
  return next - 1 + (candidate - below) / (above - below);
}
