import { effectFound, planExperiment } from './sample-plan.ts';
import type { Pace } from './pace.ts';
import { usualCertainty } from '../../statistics/sample-size.ts';
import { dayNumber, isoWeekday } from '../../time/day.ts';
import type { Experiment } from '../../policy/types.ts';

/** What a plan comes to at this store’s pace. */
export interface PlanFound {
  /** of two arms together, that tell the smallest difference worth knowing */
  orders: number;
  /** until they are in; null: longer than two years */
  days: number | null;
  /** orders of two arms that come in the weeks it may go on */
  within: number;
  /** the smallest difference that these tell, minor units */
  tells: number;
}

/**
 * @param shares of the arms, hundredths of a percent, the compared one first
 * @returns null where the store has not sold enough to say
 */
export function planFound(
  pace: Pace,
  {
    measure,
    effect,
    shares,
    from,
    weeks,
  }: { measure: Experiment['measure']; effect: number; shares: readonly number[]; from: string; weeks: number },
): PlanFound | null {
  const deviation = pace.deviation[measure];
  if (deviation === null || deviation === 0) return null;
  // The arm with the fewest shoppers takes longest, and chance is shared out among all comparisons.
  const pair = [shares[0]!, Math.min(...shares.slice(1))] as const;
  const certainty = { ...usualCertainty, error: usualCertainty.error / (shares.length - 1) };
  const weekday = isoWeekday(dayNumber(from) ?? 0);
  const plan = planExperiment({ effect, deviation, shares: pair, week: pace.week, certainty }, weekday);
  const aWeek = pace.week.reduce((sum, orders) => sum + orders, 0);
  const within = Math.floor((aWeek * weeks * (pair[0] + pair[1])) / 10_000);
  return { ...plan, within, tells: effectFound(within, { deviation, shares: pair, certainty }) };
}
