import { lowestThat } from '../lowest-that.ts';
import { alwaysValidHalf } from '../statistics/confidence-sequence.ts';
import { normalQuantile } from '../statistics/normal.ts';
import { usualCertainty, type Certainty } from '../statistics/sample-size.ts';

/** What an experiment is to find out, and in what store. */
export interface Planned {
  /** the smallest difference of averages that is worth knowing, minor units; above 0 */
  effect: number;
  /** of a single order, minor units */
  deviation: number;
  /** of the two arms, in hundredths of a percent of all shoppers */
  shares: readonly [number, number];
  /** orders of a usual Monday, Tuesday … Sunday */
  week: readonly number[];
  certainty?: Certainty;
}

export interface Plan {
  /** of both arms together */
  orders: number;
  /** from its first day on; null: longer than is waited for */
  days: number | null;
}

/** Longer than that no experiment goes on. Days */
const longest = 2 * 364;
/** So many orders no store has in that time. */
const mostOrders = 1_000_000_000;

/**
 * How many orders an experiment needs to find its effect with an interval that may be looked at whenever one likes, and how many
 * days that takes from a weekday on.
 *
 * It is found once the interval leaves 0 out. With so many orders the half width and as many standard errors as the power asks
 * for come to the effect: more than with an interval for a single look, which is what looking whenever one likes costs.
 *
 * @param weekday of the first day, 1 is Monday
 */
export function planExperiment(
  { effect, deviation, shares, week, certainty = usualCertainty }: Planned,
  weekday: number,
): Plan {
  const orders = ordersNeeded(effect, deviation, shares, certainty);
  const taking = (shares[0] + shares[1]) / 10_000;
  let [left, days] = [orders, 0];
  while (left > 0 && days < longest) left -= week[(weekday - 1 + days++) % 7]! * taking;
  return { orders, days: left > 0 ? null : days };
}

function ordersNeeded(
  effect: number,
  deviation: number,
  [first, second]: readonly [number, number],
  { error, power }: Certainty,
): number {
  const share = first / (first + second);
  /** The standard error of the difference, of so many orders. */
  const errorOf = (orders: number) => deviation * Math.sqrt(1 / (orders * share) + 1 / (orders * (1 - share)));
  const found = (orders: number) =>
    errorOf(orders) * Math.sqrt(orders) * alwaysValidHalf(orders, error, orders) +
      normalQuantile(power) * errorOf(orders) <=
    effect;
  return lowestThat(found, 1, mostOrders) ?? mostOrders;
}
