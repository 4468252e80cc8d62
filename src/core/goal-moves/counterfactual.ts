import { indexFrom } from '../orders/distribution.ts';
import type { Response } from '../orders/response.ts';
import { singly, sumsAlong, type Tally } from '../orders/tally.ts';
import { likelihoodOf } from './likelihood.ts';
import type { GoalMeasure, MeasuredOrders } from './measured-orders.ts';

/**
 * Orders by the measured value that they would have had without a goal, and what delivery costs them as long as they reach none
 * (2-domain §10). Along distinct values, ascending; all arrays are of the same length.
 */
export interface Counterfactual {
  measure: GoalMeasure;
  /** minor units, or pieces */
  values: Float64Array;
  /** orders of each, in the whole period; not whole numbers */
  orders: Float64Array;
  /** running sums of the orders */
  cumulative: Float64Array;
  /** what such orders are worth on average, minor units */
  goods: Float64Array;
  /** what one more of the measure is worth, minor units */
  unit: number;
  /** for how many such orders one that was seen stands: what chance does to it, it does so many times */
  weights: Float64Array;
  /** what one pays for delivery below every goal, minor units, on average: some have it free for other reasons */
  prices: Float64Array;
  /** what one pays who has reached the goal, minor units, on average: some choose options that it does not make free */
  kept: number;
}

/** Orders that were lifted stand above the goal by at most this share of it, where more stand than anywhere around: in narrow bands. */
const landing = 0.12;
const bands = 24;
/** Where nearly all orders are lifted, nothing is left that they could be made up from. */
const mostLikely = 0.95;
/** Prices are averages over orders worth as much, give or take this share, and at least over so many orders. */
const alike = 0.1;
const fewestAlike = 30;

/**
 * Takes back what the goal in force has done to orders. Of orders within its reach a share has been lifted by the response: what is
 * left below is made up for it, and as many are taken from where orders crowd just above the goal. The response is one that was measured at
 * this goal, or is assumed; where it would have lifted more than stand above, it is believed only as far as they do.
 */
export function counterfactualOf(measured: MeasuredOrders, response: Response): Counterfactual {
  const { measure, tally, goal, goods, unit, kept } = measured;
  const { values, cumulative } = tally;
  const seen = singly(cumulative);
  const weights = goal === null ? new Float64Array(values.length).fill(1) : takenBack(measured, seen, goal, response);
  const orders = new Float64Array(seen.length);
  for (let i = 0; i < seen.length; i++) orders[i] = seen[i]! * weights[i]!;
  return {
    measure,
    values: values.slice(),
    orders,
    cumulative: sumsAlong(orders),
    goods: goods.slice(),
    unit,
    weights,
    prices: pricesBelow(tally, goal),
    kept,
  };
}

/** In plain loops, each likelihood once: this is done for each drawing anew. */
function takenBack(
  { measure, tally: { values } }: MeasuredOrders,
  seen: Float64Array,
  goal: number,
  response: Response,
): Float64Array {
  const weights = new Float64Array(values.length).fill(1);
  const bandOf = (i: number) => Math.floor((values[i]! / goal - 1) / (landing / bands));
  const above = new Array<number>(bands).fill(0);
  const odds = new Float64Array(values.length);
  let lifted = 0;
  for (let i = 0; i < values.length; i++) {
    const likely = Math.min(mostLikely, likelihoodOf(measure, response, goal, values[i]!));
    odds[i] = likely / (1 - likely);
    lifted += seen[i]! * odds[i]!;
    const band = bandOf(i);
    if (band >= 0 && band < bands) above[band]! += seen[i]!;
  }
  const most = above.reduce((sum, orders) => sum + orders, 0);
  const believed = lifted === 0 ? 0 : Math.min(1, most / lifted);
  const level = levelThatTakes(above, believed * lifted);
  for (let i = 0; i < values.length; i++) {
    const band = bandOf(i);
    if (odds[i]! > 0) weights[i] = 1 + believed * odds[i]!;
    else if (band >= 0 && band < bands && above[band]! > level) weights[i] = level / above[band]!;
  }
  return weights;
}

/** The height at which bands have to be cut off for so much to be taken away. */
function levelThatTakes(heights: readonly number[], amount: number): number {
  const falling = [...heights].sort((a, b) => b - a);
  let taken = 0;
  for (const [i, height] of falling.entries()) {
    const next = falling[i + 1] ?? 0;
    const more = (height - next) * (i + 1);
    if (taken + more >= amount) return height - (amount - taken) / (i + 1);
    taken += more;
  }
  return 0;
}

/** What is paid on average by orders of about the same value; from the goal on, what is paid just below it. */
function pricesBelow(tally: Tally, goal: number | null): Float64Array {
  const { values, paying, paid, free } = tally;
  const end = goal === null ? values.length : indexFrom(tally, goal);
  const known = (i: number) => (i < 0 ? 0 : paying[i]! + free[i]!);
  const prices = new Float64Array(values.length);
  let [from, to] = [0, 0];
  for (let i = 0; i < end; i++) {
    while (values[from]! < values[i]! * (1 - alike)) from++;
    while (to < end && values[to]! <= values[i]! * (1 + alike)) to++;
    let [low, high] = [from, to];
    while (known(high - 1) - known(low - 1) < fewestAlike && (low > 0 || high < end)) {
      low = Math.max(0, low - 1);
      high = Math.min(end, high + 1);
    }
    const orders = known(high - 1) - known(low - 1);
    prices[i] = orders === 0 ? 0 : (paid[high - 1]! - (low > 0 ? paid[low - 1]! : 0)) / orders;
  }
  prices.fill(end > 0 ? prices[end - 1]! : 0, end);
  return prices;
}
