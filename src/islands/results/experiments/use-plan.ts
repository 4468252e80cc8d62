import { useState } from 'react';
import { firstPlan, planAbout, type PlanDraft } from '../../../core/experiments/planning/planned-experiment.ts';
import { dateOfDay } from '../../../core/time/day.ts';
import { localTime } from '../../../core/time/time-zone-clock.ts';
import { usePolicy } from '../../page/draft-context.tsx';
import { useNow } from '../../page/page-context.tsx';

/**
 * A plan to be changed, begun from an offer’s goal where one is named.
 *
 * @param begin offer and goal, with a slash @param target to be tried, in the goal’s measure; null: as is usual
 */
export function usePlan(begin: string, market: string, target: number | null) {
  const policy = usePolicy();
  const today = localTime(policy.store.timeZone, useNow()).day;
  const [plan, setPlan] = useState(() => firstPlan(policy, begin, market, dateOfDay(today + 1), target));
  const change = (next: Partial<PlanDraft>) => setPlan((before) => ({ ...before, ...next }));
  /** Another market or goal. */
  const about = (next: { market?: string; goal?: string }) => setPlan((before) => planAbout(policy, before, next));
  return { plan, change, about };
}
