import { restingOn } from '../conditions/leaves.ts';
import type { CompiledZone } from '../evaluation/compile.ts';
import type { PartsOfZone } from '../evaluation/shopper-classes.ts';
import type { CompiledOffer } from '../offers/compile-offer.ts';
import type { Offer } from '../policy/types.ts';
import { same } from '../same.ts';

/** Whether two zones do the same with every order, and ask the same conditions. */
export const zonesAlike = (before: CompiledZone, after: CompiledZone): boolean =>
  before.id === after.id &&
  before.market.terms === after.market.terms &&
  before.market.market === after.market.market &&
  pairwise(before.options, after.options, isSame) &&
  pairwise(before.offers, after.offers, offersAlike(before, after)) &&
  pairwise(before.notices, after.notices, isSame);

const pairwise = <T>(these: readonly T[], those: readonly T[], alike: (one: T, other: T) => boolean): boolean =>
  these.length === those.length && these.every((one, index) => alike(one, those[index]!));

const isSame = <T>(one: T, other: T): boolean => one === other;

/** Whether two offers are the same in the market of their zones, named conditions included, whatever they ask for in other markets. */
const offersAlike =
  (before: PartsOfZone, after: PartsOfZone) =>
  (one: CompiledOffer, other: CompiledOffer): boolean =>
    one === other ||
    (one.id === other.id &&
      pairwise(one.goals, other.goals, (a, b) => a.id === b.id && a.target === b.target) &&
      same([...one.texts].sort(), [...other.texts].sort()) &&
      same(withoutTargets(one.offer), withoutTargets(other.offer)) &&
      same(
        restingOn([one.offer.when], before.policy.qualifiers),
        restingOn([other.offer.when], after.policy.qualifiers),
      ));

/** An offer without what may be otherwise in other markets only. */
const withoutTargets = (offer: Offer): unknown => ({
  ...offer,
  markets: null,
  goals: Object.fromEntries(Object.entries(offer.goals).map(([id, goal]) => [id, { ...goal, targets: null }])),
});

/** What one of two zones has and the other has not, or has otherwise; of one alone all of it. */
export const unlikeBetween = (before: CompiledZone | null, after: CompiledZone | null): PartsOfZone[] =>
  [unlikeIn(before, after), unlikeIn(after, before)].filter((zone) => zone !== null);

function unlikeIn(zone: CompiledZone | null, other: CompiledZone | null): PartsOfZone | null {
  if (!zone || !other || zone.market.terms !== other.market.terms) return zone;
  return {
    policy: zone.policy,
    market: zone.market,
    options: zone.options.filter((option) => !other.options.includes(option)),
    offers: zone.offers.filter((offer) => !other.offers.some((one) => offersAlike(zone, other)(offer, one))),
    notices: zone.notices.filter((notice) => !other.notices.includes(notice)),
  };
}
