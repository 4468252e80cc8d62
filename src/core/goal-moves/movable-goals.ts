import { localMoneyOf } from '../money/local-amount.ts';
import { countsOrderValue } from '../offers/order-value-goals.ts';
import { resolveTarget } from '../offers/target.ts';
import { selectsOption } from '../options/compile-option.ts';
import { inOrder } from '../ordered.ts';
import type { Goal, Offer, Policy } from '../policy/types.ts';
import { changesIn, goalsOver, type DatedStep } from '../results/changes-of-market.ts';
import type { GoalMeasure, GoalOverTime } from './measured-orders.ts';

/** A goal of a market that makes delivery free, and that past orders can be measured by. */
export interface MovableGoal {
  key: `${string}/${string}`;
  offerId: string;
  goalId: string;
  /** the offer’s, and which goal it is where there are several */
  name: string;
  measure: GoalMeasure;
  /** minor units, or pieces */
  value: number;
  /** options that it makes free; null: all */
  makesFree: readonly string[] | null;
}

/** Whether an offer is on for everybody at any time, without a code. */
export const isForEverybody = ({ on, archived, unlock, when, schedule }: Offer): boolean =>
  on && !archived && (unlock.by === 'amount' || unlock.by === 'amountOrCode') && !when && !schedule;

/** What past orders know of a goal; null: goods of their own, weight, or a value that orders do not say. */
export function measureOfGoal(goal: Goal, policy: Policy, marketId: string): GoalMeasure | null {
  if (goal.goods) return null;
  if (goal.measure.kind === 'items') return 'items';
  return countsOrderValue(goal, policy.markets[marketId]!) ? 'value' : null;
}

/**
 * The goals of a market that can be weighed against others: of offers that are on, ask for no code and are there for everybody at
 * any time. Of other offers past orders do not say who could have had them.
 */
export function movableGoals(policy: Policy, marketId: string): MovableGoal[] {
  if (!Object.hasOwn(policy.markets, marketId)) return [];
  const money = localMoneyOf(policy, marketId);
  return inOrder(policy.offers).flatMap(([offerId, offer]) => {
    if (!isForEverybody(offer) || (offer.markets && !offer.markets[marketId])) return [];
    return inOrder(offer.goals).flatMap(([goalId, goal], place, all): MovableGoal[] => {
      const target = goal.targets[marketId];
      const measure = measureOfGoal(goal, policy, marketId);
      const value = target && measure ? resolveTarget(target, money) : null;
      const makesFree = optionsMadeFree(policy, goal);
      if (!measure || value === null || makesFree === 'none') return [];
      const name = all.length > 1 ? `${offer.name}, goal ${place + 1}` : offer.name;
      return [{ key: `${offerId}/${goalId}`, offerId, goalId, name, measure, value, makesFree }];
    });
  });
}

function optionsMadeFree(policy: Policy, { rewards }: Goal): readonly string[] | null | 'none' {
  const free = Object.values(rewards).filter((reward) => reward.kind === 'deliveryFree');
  if (free.length === 0) return 'none';
  if (free.some(({ on }) => on.by === 'all')) return null;
  return Object.entries(policy.options)
    .filter(([id, option]) => free.some(({ on }) => selectsOption(on, { id, option })))
    .map(([id]) => id);
}

/**
 * Since when a goal has been in force, by the releases. Of a goal counted in pieces they say only when its offer began.
 *
 * @param steps newest first
 */
export function overTime(
  { offerId, measure, value, makesFree }: MovableGoal,
  steps: readonly DatedStep[],
  market: string,
): GoalOverTime {
  const changes = changesIn(steps, market);
  if (measure === 'value') return { measure, makesFree, timeline: goalsOver(changes, offerId, value) };
  const began = changes.find(({ offer, change }) => offer === offerId && change === 'begins');
  const since = { from: began?.day ?? 0, goal: value };
  return { measure, makesFree, timeline: began ? [{ from: 0, goal: null }, since] : [since] };
}
