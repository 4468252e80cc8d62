import { lowestThat } from '../../lowest-that.ts';
import { alwaysValidHalf } from '../../statistics/confidence-sequence.ts';
import { normalQuantile } from '../../statistics/normal.ts';
import { usualCertainty, type Certainty } from '../../statistics/sample-size.ts';

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

/**
 * The smallest difference that so many orders find, as surely as is asked for. Minor units; Infinity without orders.
 *
 * @param orders of the two arms together
 */
export function effectFound(
  orders: number,
  { deviation, shares, certainty = usualCertainty }: Omit<Planned, 'effect' | 'week'>,
): number {
  if (orders < 1) return Infinity;
  const { error, power } = certainty;
  return (
    errorOf(orders, deviation, shares) *
    (Math.sqrt(orders) * alwaysValidHalf(orders, error, orders) + normalQuantile(power))
  );
}

/** The standard error of the difference, of so many orders of two arms together. */
function errorOf(orders: number, deviation: number, [first, second]: readonly [number, number]): number {
  const share = first / (first + second);
  return deviation * Math.sqrt(1 / (orders * share) + 1 / (orders * (1 - share)));
}

function ordersNeeded(
  effect: number,
  deviation: number,
  shares: readonly [number, number],
  certainty: Certainty,
): number {
  const found = (orders: number) => effectFound(orders, { deviation, shares, certainty }) <= effect;
  return lowestThat(found, 1, mostOrders) ?? mostOrders;
}
