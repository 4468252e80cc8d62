import type { DeliveryOption, Offer, Policy } from '../../policy/types.ts';

/** An offer that everybody has at any time and reaches by goods value: without condition, dates, code or goods of its own. */
export const isStanding = ({ on, when, schedule, unlock, limits, goals }: Offer): boolean =>
  on &&
  !when &&
  !schedule &&
  !limits &&
  unlock.by === 'amount' &&
  Object.values(goals).every(({ measure, goods }) => measure.kind === 'countedValue' && !goods);

const known = new WeakMap<Policy, Policy>();

/**
 * A policy as a page can state it that many read at any time: options without the conditions, dates and channels that the page
 * says beside them, and of the offers those alone that everybody has. Made once for each policy.
 */
export function standingPolicy(policy: Policy): Policy {
  let standing = known.get(policy);
  if (!standing) {
    standing = {
      ...policy,
      options: mapped(policy.options, standingOption),
      offers: mapped(policy.offers, (offer) => (offer.on && !isStanding(offer) ? { ...offer, on: false } : offer)),
    };
    known.set(policy, standing);
  }
  return standing;
}

function standingOption(option: DeliveryOption): DeliveryOption {
  if (!option.when && !option.schedule && !option.channels) return option;
  const { when: _when, schedule: _schedule, channels: _channels, ...always } = option;
  return always;
}

const mapped = <T>(table: Record<string, T>, change: (one: T) => T): Record<string, T> =>
  Object.fromEntries(Object.entries(table).map(([id, one]) => [id, change(one)]));
