import { movableGoals, overTime, type MovableGoal } from '../../../core/goal-moves/movable-goals.ts';
import type { GoalOverTime } from '../../../core/goal-moves/measured-orders.ts';
import type { Policy } from '../../../core/policy/types.ts';
import type { DatedStep } from '../../../core/results/changes-of-market.ts';

/** A goal as it may be moved in the draft, and as it is in force. */
export interface AskedGoal {
  goal: MovableGoal;
  /** in the measure; null: the release has no such goal in this market */
  present: number | null;
  over: GoalOverTime;
}

/**
 * The goals of a market that may be moved, with what is in force of each: by the release, where there is one, and else as the
 * draft states it.
 *
 * @param steps what releases changed, newest first
 */
export function askedGoals(
  draft: Policy,
  release: Policy | null,
  steps: readonly DatedStep[],
  marketId: string,
): AskedGoal[] {
  const released = release && new Map(movableGoals(release, marketId).map((goal) => [goal.key, goal]));
  return movableGoals(draft, marketId).map((goal) => {
    const inForce = released ? released.get(goal.key) : goal;
    if (!inForce || inForce.measure !== goal.measure)
      return { goal, present: null, over: { measure: goal.measure, makesFree: goal.makesFree, timeline: [] } };
    return { goal, present: inForce.value, over: overTime(inForce, steps, marketId) };
  });
}

/** One more goal beside what there is, as an answer to what is asked. */
export const oneMore = 'one-more';

/** Which goal is asked about: what the address says, else the first; null: one more goal is. */
export function askedOf(goals: readonly AskedGoal[], asked: string | undefined): AskedGoal | null {
  if (asked === oneMore) return null;
  return goals.find(({ goal }) => goal.key === asked) ?? goals[0] ?? null;
}
