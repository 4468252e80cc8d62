import type { Measures } from '../cart/measures.ts';
import type { CompiledOffer } from '../evaluation/compile.ts';

/** The best price an option gets and who gave it. Minor units. */
export interface RewardedPrice {
  price: number;
  offerId: string | null;
  goalId: string | null;
}

/**
 * Applies the reached goals' rewards to an option's price before. Offers do not combine: the shopper gets the lowest
 * price, ties go to the higher priority, which is the earlier in the list (2-domain §6).
 *
 * @param base the charge itself, @param own what goods with an own delivery price add
 */
export function rewardedPrice(optionId: string, base: number, own: number, offers: readonly CompiledOffer[], measures: Measures): RewardedPrice {
  let best: RewardedPrice = { price: base + own, offerId: null, goalId: null };
  for (const offer of offers) {
    for (const goal of offer.goals) {
      if (measures.countedValue < goal.target) continue;
      for (const { reward, options } of goal.rewards) {
        if (!options.has(optionId)) continue;
        const price = reward.coversOwnDelivery ? 0 : own;
        if (price < best.price) best = { price, offerId: offer.id, goalId: goal.id };
      }
    }
  }
  return best;
}
