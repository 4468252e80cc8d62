import { activeOffers, type ActiveOffer } from '../offers/active-offers.ts';
import type { CompiledGoal } from '../offers/compile-offer.ts';
import type { CompiledReward, DeliveryReward } from '../offers/reward.ts';
import { applyReward } from '../offers/delivery-rewards.ts';
import { giftsOf, rewardedGoods, type Gift, type GoodsRewarded } from '../offers/goods-rewards.ts';
import { paidFor } from '../options/price-before.ts';
import type { ZoneContext } from './context.ts';
import { withRewards, type OptionBefore, type PricedOption } from './price-options.ts';

/** What a shopper pays and gets under some offers. */
export interface Outcome {
  /** in the zone's shown order */
  priced: readonly PricedOption[];
  /** what is paid for each, minor units; null where it is not offered */
  paid: readonly (number | null)[];
  goods: GoodsRewarded;
  gifts: readonly Gift[];
}

export function outcomeOf(
  { facts }: ZoneContext,
  before: readonly OptionBefore[],
  active: readonly ActiveOffer[],
): Outcome {
  const priced = withRewards(before, active);
  const paid = priced.map((entry) => ('after' in entry ? paidFor(entry.after, entry.option.cashIncrement) : null));
  return { priced, paid, goods: rewardedGoods(facts.cart, active), gifts: giftsOf(active) };
}

/** What it would be if one more goal were reached, nothing else changed. */
export function outcomeWith(
  context: ZoneContext,
  before: readonly OptionBefore[],
  also: { rank: number; goal: number },
): Outcome {
  return outcomeOf(context, before, activeOffers(context.zone.offers, context.standings, also));
}

const piecesOf = (gifts: readonly Gift[], product: string): number =>
  gifts.reduce((sum, gift) => (gift.product === product ? sum + gift.quantity : sum), 0);

/** Whether something is better for the shopper than it was: an option costs less, more comes off the goods, another gift. */
export function improves(now: Outcome, next: Outcome): boolean {
  for (let index = 0; index < now.paid.length; index++) {
    const [was, is] = [now.paid[index]!, next.paid[index]!];
    if (was !== null && is !== null && is < was) return true;
  }
  return (
    next.goods.off > now.goods.off ||
    next.gifts.some(({ product }) => piecesOf(next.gifts, product) > piecesOf(now.gifts, product))
  );
}

/** Whether nothing is worse than in another outcome of the same cart. */
export const isAsGood = (one: Outcome, other: Outcome): boolean => !improves(one, other);

/** Where delivery is said to be free, some option that it is free on costs nothing. */
export function keepsFree({ rewards }: CompiledGoal, outcome: Outcome): boolean {
  let promised = false;
  for (const reward of rewards) {
    if (reward.acts !== 'onDelivery' || !reward.isFree) continue;
    promised = true;
    for (const [index, { option }] of outcome.priced.entries())
      if (reward.options.has(option.id) && outcome.paid[index] === 0) return true;
  }
  return !promised;
}

/** Whether a reward has something to act on in this outcome: an option it is for at a price it is for, goods, or a gift. */
export function acts(reward: CompiledReward, { priced, goods }: Outcome): boolean {
  if (reward.acts === 'asGift') return true;
  if (reward.acts === 'onGoods') return goods.off > 0;
  return priced.some((entry) => isFor(reward, entry));
}

const isFor = (reward: DeliveryReward, entry: PricedOption): boolean =>
  'after' in entry &&
  reward.options.has(entry.option.id) &&
  paidFor(entry.before, entry.option.cashIncrement) <= reward.cap;

/**
 * Whether what a goal promises is given: each shopper who is told of it pays no more for some option than its reward alone
 * makes of it, has something off the goods, or a gift; and free is free.
 */
export function isGiven(goal: CompiledGoal, outcome: Outcome): boolean {
  return keepsFree(goal, outcome) && goal.rewards.some((reward) => isKept(reward, outcome));
}

function isKept(reward: CompiledReward, outcome: Outcome): boolean {
  if (reward.acts === 'asGift') return outcome.gifts.some(({ product }) => product === reward.product);
  if (reward.acts === 'onGoods') return outcome.goods.off > 0;
  if (reward.priceOf)
    return outcome.priced.some((entry) => isFor(reward, entry) && 'after' in entry && entry.after.setBy.length > 0);
  return outcome.priced.some((entry, index) => {
    if (!('after' in entry) || !isFor(reward, entry)) return false;
    return outcome.paid[index]! <= paidFor(applyReward(reward, entry.before, null), entry.option.cashIncrement);
  });
}
