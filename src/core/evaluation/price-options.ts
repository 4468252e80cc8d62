import type { CompiledReward, DeliveryReward } from '../offers/reward.ts';
import type { DecisionPath } from '../charges/charge-input.ts';
import type { ActiveOffer } from '../offers/active-offers.ts';
import { rewardedPrice, type Applying, type RewardedPrice, type UpgradeSource } from '../offers/delivery-rewards.ts';
import type { CompiledOption } from '../options/compile-option.ts';
import { priceBefore, type PriceParts, type Unavailability } from '../options/price-before.ts';
import type { ZoneContext } from './context.ts';

/** What prices depend on. */
type Priced = Omit<ZoneContext, 'standings' | 'redemptions'>;

/** An option of a zone with its price before and after, or why it has none. */
export type PricedOption =
  | { option: CompiledOption; before: PriceParts; after: RewardedPrice }
  | { option: CompiledOption; unavailable: Unavailability };

/** An option of a zone with its price before rewards, or why it has none. */
export type OptionBefore =
  { option: CompiledOption; before: PriceParts } | { option: CompiledOption; unavailable: Unavailability };

/** All options of a zone before rewards, in shown order. */
export function pricesBefore(context: Priced, path: DecisionPath = null): OptionBefore[] {
  return context.zone.options.map((option) => {
    const before = priceBefore(option, context, path);
    return typeof before === 'string' ? { option, unavailable: before } : { option, before };
  });
}

/** Each offered option's price with all rewards but upgrades: what an upgrade may bring another option to. */
export function pricesWithoutUpgrades(context: ZoneContext): Map<string, PriceParts> {
  const priced = pricesBefore(context).map((entry) => withoutUpgrades(entry, context.active, null));
  return new Map(priced.flatMap((entry) => ('after' in entry ? [[entry.option.id, entry.after] as const] : [])));
}

const plainly: Applying = { source: null, path: null };

function withoutUpgrades(entry: OptionBefore, active: readonly ActiveOffer[], path: DecisionPath): PricedOption {
  if (!('before' in entry)) return entry;
  const { option, before } = entry;
  return {
    option,
    before,
    after: rewardedPrice(option, before, active, path === null ? plainly : { source: null, path }),
  };
}

/**
 * Prices all options of a zone: first before rewards, then with all rewards but upgrades, then upgrades, which bring
 * an option to the lowest price that its slower ones have by then.
 */
export function priceOptions(context: Priced, path: DecisionPath = null): PricedOption[] {
  return withRewards(pricesBefore(context, path), context.active, path);
}

/** The same from prices before: what they become under the rewards of some offers. */
export function withRewards(
  before: readonly OptionBefore[],
  active: readonly ActiveOffer[],
  path: DecisionPath = null,
): PricedOption[] {
  const priced: PricedOption[] = [];
  for (const entry of before) priced.push(withoutUpgrades(entry, active, path));
  for (const { rewards } of active)
    for (const { reward } of rewards) if (isUpgrade(reward)) return withUpgrades(priced, active, path);
  return priced;
}

/** Whether a reward takes the price of other options, so that these are priced first. */
const isUpgrade = (reward: CompiledReward): reward is DeliveryReward =>
  reward.acts === 'onDelivery' && reward.priceOf !== null;

function withUpgrades(
  priced: readonly PricedOption[],
  active: readonly ActiveOffer[],
  path: DecisionPath,
): PricedOption[] {
  return priced.map((entry) => {
    if (!('after' in entry) || !isUpgradable(entry.option.id, active)) return entry;
    const { option, before } = entry;
    const source: UpgradeSource = (priceOf) => lowestOf(priced, priceOf, option.id, path);
    return { option, before, after: rewardedPrice(option, before, active, { source, path }) };
  });
}

function isUpgradable(id: string, active: readonly ActiveOffer[]): boolean {
  return active.some(({ rewards }) => rewards.some(({ reward }) => isUpgrade(reward) && reward.options.has(id)));
}

/** The lowest price without upgrades of some options, never of the one that is upgraded itself. */
function lowestOf(
  priced: readonly PricedOption[],
  options: ReadonlySet<string>,
  upgraded: string,
  path: DecisionPath,
): PriceParts | null {
  let lowest: PriceParts | null = null;
  let decides = -1;
  for (const [index, entry] of priced.entries()) {
    if (!('after' in entry) || !options.has(entry.option.id) || entry.option.id === upgraded) continue;
    const { base, own } = entry.after;
    if (lowest !== null && base + own >= lowest.base + lowest.own) continue;
    lowest = entry.after;
    decides = index;
  }
  path?.push(decides);
  return lowest;
}
