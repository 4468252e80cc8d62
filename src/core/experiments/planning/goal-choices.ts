import { inOrder } from '../../ordered.ts';
import type { Goal, Policy, Reward } from '../../policy/types.ts';

/** A goal that can be tried in a market. */
export interface GoalChoice {
  key: `${string}/${string}`;
  offerId: string;
  goalId: string;
  goal: Goal;
  /** the offer’s, and which goal it is where there are several */
  name: string;
}

const choicesOf = (policy: Policy, wanted: (goal: Goal, market: string | null) => boolean, market: string | null) =>
  inOrder(policy.offers).flatMap(([offerId, offer]) => {
    if (offer.archived || (market !== null && (!offer.on || (offer.markets && !offer.markets[market])))) return [];
    return inOrder(offer.goals).flatMap(([goalId, goal], place, all): GoalChoice[] =>
      wanted(goal, market)
        ? [
            {
              key: `${offerId}/${goalId}`,
              offerId,
              goalId,
              goal,
              name: all.length > 1 ? `${offer.name}, goal ${place + 1}` : offer.name,
            },
          ]
        : [],
    );
  });

/** The goals that shoppers of a market have. */
export const goalsIn = (policy: Policy, market: string): GoalChoice[] =>
  choicesOf(policy, (goal) => goal.targets[market] !== undefined, market);

/** What is given at any goal of the store, to be tried at another. */
export const rewardsOfStore = (policy: Policy): { key: string; name: string; rewards: Record<string, Reward> }[] =>
  choicesOf(policy, () => true, null).map(({ key, name, goal }) => ({ key, name, rewards: goal.rewards }));
