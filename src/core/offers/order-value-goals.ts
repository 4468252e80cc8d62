import { localMoneyOf } from '../money/local-amount.ts';
import { inOrder } from '../ordered.ts';
import type { Goal, Market, Policy } from '../policy/types.ts';
import { resolveTarget } from './target.ts';

/** Whether a goal counts what past orders are known by: their value after discounts, as shown. */
export function countsOrderValue({ measure, goods }: Goal, market: Market): boolean {
  if (measure.kind !== 'countedValue' || goods || !measure.basis.startsWith('after')) return false;
  return (
    measure.basis.endsWith('AsShown') ||
    measure.basis.endsWith(market.tax.prices === 'withTax' ? 'WithTax' : 'WithoutTax')
  );
}

/** A goal that can be laid on the orders of a market. */
export interface OrderValueGoal {
  offerId: string;
  goalId: string;
  /** the offer's, and which goal it is where there are several */
  name: string;
  /** minor units */
  value: number;
}

/** The goals that an order of a market can reach by its value, of offers that are on and do not need a code alone. */
export function orderValueGoals(policy: Policy, marketId: string): OrderValueGoal[] {
  const market = policy.markets[marketId];
  if (!market) return [];
  const money = localMoneyOf(policy, marketId);
  return inOrder(policy.offers).flatMap(([offerId, offer]) => {
    if (!offer.on || offer.unlock.by === 'code' || (offer.markets && !offer.markets[marketId])) return [];
    return inOrder(offer.goals).flatMap(([goalId, goal], position, all) => {
      const target = goal.targets[marketId];
      const value = target && countsOrderValue(goal, market) ? resolveTarget(target, money) : null;
      return value === null
        ? []
        : [{ offerId, goalId, name: all.length > 1 ? `${offer.name}, goal ${position + 1}` : offer.name, value }];
    });
  });
}
