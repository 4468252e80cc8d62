import { inOrder } from '../ordered.ts';
import type { Experiment, Goal, Policy } from '../policy/types.ts';

/** Why an experiment tries nothing: what it was to try is not there, or cannot be tried like that. */
export type NothingTried = 'noMarket' | 'noOffer' | 'offerOff' | 'notInMarket' | 'noGoal' | 'otherMeasure';

/** Whether shoppers can see what an experiment tries; null: they can. */
export function whyNothing(
  policy: Policy,
  { market, offer: offerId, goal: goalId, arms }: Pick<Experiment, 'market' | 'offer' | 'goal' | 'arms'>,
): NothingTried | null {
  const offer = policy.offers[offerId];
  if (!policy.markets[market]) return 'noMarket';
  if (!offer) return 'noOffer';
  if (!offer.on) return 'offerOff';
  if (offer.markets && !offer.markets[market]) return 'notInMarket';
  const goal = offer.goals[goalId];
  if (!goal?.targets[market]) return 'noGoal';
  return inOrder(arms).every(([, { version }]) => version.kind !== 'target' || fits(goal, version.target))
    ? null
    : 'otherMeasure';
}

/** Pieces and grams are counted; money is not. */
const fits = ({ measure }: Goal, target: Goal['targets'][string]): boolean =>
  'count' in target === (measure.kind !== 'countedValue');
