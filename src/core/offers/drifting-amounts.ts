import { priceKindOf } from '../charges/prices/registry.ts';
import { localMoneyOf, resolveAmount } from '../money/local-amount.ts';
import { inOrder } from '../ordered.ts';
import type { DeliveryOption, LocalAmount, Policy } from '../policy/types.ts';

/** An amount in a currency of its own that stands for one in the base currency. */
export interface DriftingAmount {
  kind: 'goal' | 'price';
  /** what it is, as the reader knows it */
  name: string;
  amount: LocalAmount;
  /** minor units of the base currency */
  base: number;
  /** where the base amount comes from: what it follows, or the market of the base currency with the same goal */
  from: 'following' | { market: string };
  /** where it stands: the offer and goal, or the option */
  offerId?: string;
  goalId?: string;
  optionId?: string;
}

/**
 * The amounts of a market whose worth in the base currency changes with the rate: everything that follows, and goals set by
 * hand that a market of the base currency has as well. A price set by hand stands for nothing else and cannot drift.
 */
export function driftingAmounts(policy: Policy, marketId: string): DriftingAmount[] {
  const money = localMoneyOf(policy, marketId);
  if (!policy.markets[marketId] || money.currency === money.baseCurrency) return [];
  const home = inOrder(policy.markets).find(([, { currency }]) => currency === money.baseCurrency);
  const goals = inOrder(policy.offers).flatMap(([offerId, offer]) => {
    if (!offer.on || (offer.markets && !offer.markets[marketId])) return [];
    return inOrder(offer.goals).flatMap(([goalId, goal], position, all): DriftingAmount[] => {
      const target = goal.targets[marketId];
      if (!target || 'count' in target) return [];
      const stands = {
        kind: 'goal' as const,
        name: all.length > 1 ? `${offer.name}, goal ${position + 1}` : offer.name,
        amount: target,
        offerId,
        goalId,
      };
      if ('following' in target) return [{ ...stands, base: target.following.base, from: 'following' }];
      const there = home && goal.targets[home[0]];
      const base = there && !('count' in there) ? resolveAmount(there, localMoneyOf(policy, home[0])) : null;
      return base === null || base === undefined ? [] : [{ ...stands, base, from: { market: home![0] } }];
    });
  });
  return [...goals, ...(pricesByMarket(policy).get(marketId) ?? [])];
}

const pricesKnown = new WeakMap<Policy, Map<string, DriftingAmount[]>>();

/** The prices that follow, of all markets at once. */
function pricesByMarket(policy: Policy): ReadonlyMap<string, DriftingAmount[]> {
  let byMarket = pricesKnown.get(policy);
  if (byMarket) return byMarket;
  pricesKnown.set(policy, (byMarket = new Map()));
  for (const [optionId, option] of inOrder(policy.options)) {
    const marketId = option.on ? policy.zones[option.zone]?.market : undefined;
    if (marketId === undefined) continue;
    const prices = followingPrices(option).map((amount): DriftingAmount => ({
      kind: 'price',
      name: option.name,
      amount,
      base: amount.following.base,
      from: 'following',
      optionId,
    }));
    if (prices.length > 0) byMarket.set(marketId, [...(byMarket.get(marketId) ?? []), ...prices]);
  }
  return byMarket;
}

function followingPrices({ charge }: DeliveryOption): Extract<LocalAmount, { following: unknown }>[] {
  const fixed = inOrder(charge.lines).flatMap(([, { price }]) => priceKindOf(price).startOf(price) ?? []);
  return [...fixed, ...(charge.otherwise.kind === 'price' ? [charge.otherwise.price] : [])].flatMap((amount) =>
    'following' in amount ? [amount] : [],
  );
}
