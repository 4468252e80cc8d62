import { localMoneyOf, resolveAmount } from '../money/local-amount.ts';
import type { Policy } from '../policy/types.ts';

/** A goal's amount in a market, in minor units; null where the offer has no goal there or it cannot be worked out. */
export function targetIn(policy: Policy, offerId: string, goalId: string, marketId: string): number | null {
  const target = policy.offers[offerId]?.goals[goalId]?.targets[marketId];
  return target ? resolveAmount(target, localMoneyOf(policy, marketId)) : null;
}
