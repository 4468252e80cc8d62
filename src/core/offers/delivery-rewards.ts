import type { DecisionPath } from '../charges/charge-input.ts';
import type { CompiledOption } from '../options/compile-option.ts';
import { paidFor, type PriceParts } from '../options/price-before.ts';
import type { ActiveOffer } from './active-offers.ts';
import type { DeliveryReward } from './reward.ts';

/** The offer and goal that changed a price. */
export interface SetBy {
  offerId: string;
  goalId: string;
}

/** An option's price with rewards, before the cash increment, and which offers set it, in the order in which they did. */
export interface RewardedPrice extends PriceParts {
  setBy: readonly SetBy[];
}

const nobody: readonly SetBy[] = [];

/** For an upgrade: the lowest price among its options without upgrades, itself left out; null when none of them is offered. */
export type UpgradeSource = (priceOf: ReadonlySet<string>) => PriceParts | null;

/** How rewards are applied to an option. */
export interface Applying {
  /** null: upgrades are left out */
  source: UpgradeSource | null;
  path: DecisionPath;
}

/**
 * Applies the rewards of active offers to an option's price before. Combining offers apply one after the other in
 * priority order; what they come to together stands against each other offer alone, and the shopper gets the lowest
 * price. Of equal prices that of the higher priority counts, a combination having that of its first (2-domain §6).
 * Prices are compared before the cash increment; offers that change nothing of what is paid are not named.
 */
export function rewardedPrice(
  option: Pick<CompiledOption, 'id' | 'cashIncrement'>,
  before: PriceParts,
  active: readonly ActiveOffer[],
  how: Applying,
): RewardedPrice {
  let best: Candidate | null = null;
  let combination: Candidate | null = null;
  for (let index = 0; index < active.length; index++) {
    const offer = active[index]!;
    const start = offer.combines && combination ? combination.parts : before;
    const result = applyOffer(option, before, start, offer, how);
    if (result === null) continue;
    if (!offer.combines) {
      if (result.lowered && total(result.parts) < total(best?.parts ?? before))
        best = { parts: result.parts, setBy: [result.lowered], rank: offer.rank };
      continue;
    }
    combination = combined(combination, result, offer.rank);
  }
  if (combination && isBetter(combination, best, before)) best = combination;
  how.path?.push(best === null ? -1 : best.rank);
  if (best === null) return { base: before.base, own: before.own, setBy: nobody };
  const { base, own } = best.parts;
  return {
    base,
    own,
    setBy: paidFor(best.parts, option.cashIncrement) < paidFor(before, option.cashIncrement) ? best.setBy : nobody,
  };
}

/** A price that some offers would make. */
interface Candidate {
  parts: PriceParts;
  setBy: readonly SetBy[];
  rank: number;
}

/** A combination with one more offer's rewards; it has the rank of its first. */
function combined(
  so: Candidate | null,
  { parts, lowered }: { parts: PriceParts; lowered: SetBy | null },
  rank: number,
): Candidate {
  const setBy = so === null ? nobody : so.setBy;
  return { parts, setBy: lowered ? [...setBy, lowered] : setBy, rank: so === null ? rank : so.rank };
}

function isBetter(combination: Candidate, best: Candidate | null, before: PriceParts): boolean {
  if (combination.setBy.length === 0) return false;
  const difference = total(combination.parts) - total(best === null ? before : best.parts);
  return difference < 0 || (difference === 0 && best !== null && best.rank > combination.rank);
}

const total = ({ base, own }: PriceParts): number => base + own;

/** @returns null when no reward of the offer is for this option at this price */
function applyOffer(
  { id, cashIncrement }: Pick<CompiledOption, 'id' | 'cashIncrement'>,
  before: PriceParts,
  start: PriceParts,
  { offerId, rewards }: ActiveOffer,
  { source, path }: Applying,
): { parts: PriceParts; lowered: SetBy | null } | null {
  let parts: PriceParts | null = null;
  let lowered: SetBy | null = null;
  for (let index = 0; index < rewards.length; index++) {
    const { goalId, reward } = rewards[index]!;
    if (reward.acts !== 'onDelivery' || !reward.options.has(id)) continue;
    if (paidFor(before, cashIncrement) > reward.cap) continue;
    const from = source && reward.priceOf ? source(reward.priceOf) : null;
    if (reward.priceOf && from === null) continue;
    const current: PriceParts = parts ?? start;
    parts = applyReward(reward, current, from, path);
    if (total(parts) < total(current)) lowered = { offerId, goalId };
  }
  return parts && { parts, lowered };
}

/**
 * One reward on a price; never raises it. It acts on the charge, or on all of the price when it covers own delivery
 * prices too: what it takes off then comes off the charge first.
 */
export function applyReward(
  reward: DeliveryReward,
  parts: PriceParts,
  source: PriceParts | null,
  path: DecisionPath = null,
): PriceParts {
  const covers = reward.coversOwnDelivery;
  const subject = covers ? parts.base + parts.own : parts.base;
  const price = Math.min(subject, Math.max(0, reward.becomes(subject, costOf(source, covers))));
  if (path !== null) path.push(price === subject ? 1 : 2 * Number(price > 0));
  if (!covers) return { base: price, own: parts.own };
  const base = Math.max(0, parts.base - (subject - price));
  return { base, own: price - base };
}

/** What the lowest of other options costs, of what the reward covers. */
function costOf(source: PriceParts | null, covers: boolean): number | null {
  if (source === null) return null;
  return covers ? total(source) : source.base;
}
