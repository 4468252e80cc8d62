import type { CompiledOffer, GivenReward } from './compile-offer.ts';
import type { OfferStatus } from './status.ts';

/** An offer that gives something to this cart. */
export interface ActiveOffer {
  offerId: string;
  /** position by priority, 0 the highest */
  rank: number;
  combines: boolean;
  /** in the order in which they apply */
  rewards: readonly GivenReward[];
}

/** Of an offer's standing, what decides on its rewards; goals in order. */
export interface GoalsReached {
  status: OfferStatus;
  goals: readonly { reached: boolean }[];
}

const none: ActiveOffer[] = [];
const nothingGiven: readonly GivenReward[] = [];

/**
 * The offers in force with the rewards of their reached goals, highest priority first; a goal replaces or adds to lower ones.
 *
 * @param also a goal taken as reached whatever it stands at, by the rank of its offer and its own position
 */
export function activeOffers(
  offers: readonly CompiledOffer[],
  standings: readonly GoalsReached[],
  also: { rank: number; goal: number } | null = null,
): ActiveOffer[] {
  let active = none;
  for (let rank = 0; rank < offers.length; rank++) {
    const offer = offers[rank]!;
    const standing = standings[rank]!;
    if (standing.status !== 'inForce') continue;
    let rewards = nothingGiven;
    for (let index = 0; index < offer.goals.length; index++) {
      if (!standing.goals[index]!.reached && !(also !== null && also.rank === rank && also.goal === index)) continue;
      const goal = offer.goals[index]!;
      rewards = goal.goal.then === 'replace' || rewards.length === 0 ? goal.gives : [...rewards, ...goal.gives];
    }
    if (rewards.length === 0) continue;
    if (active === none) active = [];
    active.push({ offerId: offer.id, rank, combines: offer.offer.combines, rewards });
  }
  return active;
}
