import { isForEverybody, measureOfGoal, movableGoals, overTime, type MovableGoal } from './movable-goals.ts';
import type { GoalOverTime } from './measured-orders.ts';
import type { Policy } from '../policy/types.ts';
import { inOrder } from '../ordered.ts';
import type { DatedStep } from '../results/changes-of-market.ts';

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

/** Why no goal of a market can be weighed. */
export type NothingToWeigh = 'notMeasured' | 'noOffer';

/**
 * The goal of a market that is weighed among all markets’: that of an offer one looks at, else the first that can be. Where the
 * market has none, what an offer would begin with here.
 *
 * @param offerId that is looked at
 */
export function goalToWeigh(
  { draft, release, steps }: { draft: Policy; release: Policy | null; steps: readonly DatedStep[] },
  marketId: string,
  offerId: string | undefined,
): AskedGoal | NothingToWeigh {
  const goals = askedGoals(draft, release, steps, marketId);
  const own = goals.find(({ goal }) => goal.offerId === offerId) ?? goals[0];
  if (own) return own;
  const free = freeDeliveryGoals(draft).filter(([id]) => reachesMarket(draft, id, marketId));
  if (free.some(([, , goal]) => Object.hasOwn(goal.targets, marketId))) return 'notMeasured';
  const addable = free.filter(([, , goal]) => measureOfGoal(goal, draft, marketId) === 'value');
  const [id, goalId] = addable.find(([one]) => one === offerId) ?? addable[0] ?? [];
  if (id === undefined || goalId === undefined) return 'noOffer';
  const goal = {
    key: `${id}/${goalId}` as const,
    offerId: id,
    goalId,
    name: draft.offers[id]!.name,
    measure: 'value' as const,
    value: 0,
    makesFree: null,
  };
  return { goal, present: null, over: { measure: 'value', makesFree: null, timeline: [] } };
}

/** Goals of offers that are on for everybody, and make delivery free. */
const freeDeliveryGoals = ({ offers }: Policy) =>
  inOrder(offers).flatMap(([id, offer]) =>
    isForEverybody(offer)
      ? inOrder(offer.goals)
          .filter(([, { rewards }]) => Object.values(rewards).some(({ kind }) => kind === 'deliveryFree'))
          .map(([goalId, goal]) => [id, goalId, goal] as const)
      : [],
  );

const reachesMarket = ({ offers }: Policy, offerId: string, marketId: string): boolean => {
  const { markets } = offers[offerId]!;
  return !markets || Object.hasOwn(markets, marketId);
};
