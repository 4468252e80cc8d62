import { localMoneyOf, resolveAmount, type LocalMoney } from '../money/local-amount.ts';
import type { Goal, Policy } from '../policy/types.ts';

/** A goal's target: minor units of the market's currency, pieces or grams; null without an adopted rate. */
export function resolveTarget(target: Goal['targets'][string], money: LocalMoney): number | null {
  return 'count' in target ? target.count : resolveAmount(target, money);
}

/** A goal's target in a market; null where the offer has no goal there or it cannot be worked out. */
export function targetIn(policy: Policy, offerId: string, goalId: string, marketId: string): number | null {
  const target = policy.offers[offerId]?.goals[goalId]?.targets[marketId];
  return target ? resolveTarget(target, localMoneyOf(policy, marketId)) : null;
}
