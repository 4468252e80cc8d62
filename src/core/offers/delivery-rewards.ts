import type { DecisionPath } from '../charges/charge.ts';
import { percentOf, toCashIncrement } from '../money/rounding.ts';
import type { PriceParts } from '../options/price-before.ts';
import type { ActiveOffer } from './active-offers.ts';
import type { DeliveryReward } from './compile-offer.ts';

/** The offer and goal that changed a price. */
export interface SetBy {
  offerId: string;
  goalId: string;
}

/** An option's price with rewards, minor units, and which offers set it, in the order in which they did. */
export interface RewardedPrice extends PriceParts {
  setBy: readonly SetBy[];
}

const nobody: readonly SetBy[] = [];

/** For an upgrade: the lowest price among its options without upgrades, as parts; null when none of them is offered. */
export type UpgradeSource = (priceOf: ReadonlySet<string>) => PriceParts | null;

/**
 * Applies the rewards of active offers to an option's price before. Combining offers apply one after the other in
 * priority order; what they come to together stands against each other offer alone, and the shopper gets the lowest
 * price. Of equal prices that of the higher priority counts, a combination having that of its first (2-domain §6).
 *
 * @param source null: upgrades are left out
 */
export function rewardedPrice(optionId: string, before: PriceParts, active: readonly ActiveOffer[], cashIncrement: number | undefined, source: UpgradeSource | null, path: DecisionPath = null): RewardedPrice {
  let best: RewardedPrice & { rank: number } = { ...before, setBy: nobody, rank: -1 };
  let combination = null as (RewardedPrice & { rank: number }) | null;
  for (const offer of active) {
    const start: PriceParts = offer.combines ? (combination ?? before) : before;
    const result = applyOffer(optionId, before, start, offer, cashIncrement, source, path);
    if (result === null) continue;
    if (offer.combines) {
      const setBy: readonly SetBy[] = combination?.setBy ?? nobody;
      combination = { ...result.parts, setBy: result.lowered ? [...setBy, result.lowered] : setBy, rank: combination?.rank ?? offer.rank };
    } else if (result.lowered && total(result.parts) < total(best)) best = { ...result.parts, setBy: [result.lowered], rank: offer.rank };
  }
  if (combination) {
    const difference = total(combination) - total(best);
    if (difference < 0 || (difference === 0 && best.rank > combination.rank && combination.setBy.length > 0)) best = combination;
  }
  path?.push(best.rank);
  return best;
}

const total = ({ base, own }: PriceParts): number => base + own;

/** @returns null when no reward of the offer is for this option at this price */
function applyOffer(
  optionId: string,
  before: PriceParts,
  start: PriceParts,
  { offerId, rewards }: ActiveOffer,
  cashIncrement: number | undefined,
  source: UpgradeSource | null,
  path: DecisionPath,
): { parts: PriceParts; lowered: SetBy | null } | null {
  let parts: PriceParts | null = null;
  let lowered: SetBy | null = null;
  for (const { goalId, reward } of rewards) {
    if (!('options' in reward) || !reward.options.has(optionId)) continue;
    if (total(before) > reward.cap) continue;
    const from = source && reward.kind === 'upgrade' ? source(reward.priceOf) : null;
    if (reward.kind === 'upgrade' && from === null) continue;
    const current: PriceParts = parts ?? start;
    parts = applyReward(reward, current, from, cashIncrement, path);
    if (total(parts) < total(current)) lowered = { offerId, goalId };
  }
  return parts && { parts, lowered };
}

/**
 * One reward on a price; never raises it. It acts on the charge, or on all of the price when it covers own delivery
 * prices too: what it takes off then comes off the charge first.
 */
export function applyReward(reward: DeliveryReward, parts: PriceParts, source: PriceParts | null, cashIncrement: number | undefined, path: DecisionPath = null): PriceParts {
  const covers = reward.coversOwnDelivery;
  const subject = covers ? parts.base + parts.own : parts.base;
  const price = Math.min(subject, Math.max(0, priceByReward(reward, subject, covers, source, cashIncrement)));
  path?.push(price === subject ? 1 : price === 0 ? 0 : 2);
  if (!covers) return { base: price, own: parts.own };
  const base = Math.max(0, parts.base - (subject - price));
  return { base, own: price - base };
}

function priceByReward(reward: DeliveryReward, subject: number, covers: boolean, source: PriceParts | null, cashIncrement: number | undefined): number {
  switch (reward.kind) {
    case 'deliveryFree':
      return 0;
    case 'deliveryAt':
      return reward.amount;
    case 'deliveryLessPercent':
      return toCashIncrement(subject - percentOf(subject, reward.percent!), cashIncrement);
    case 'deliveryLessAmount':
      return toCashIncrement(subject - reward.amount, cashIncrement);
    case 'upgrade':
      return source === null ? subject : covers ? source.base + source.own : source.base;
  }
}
