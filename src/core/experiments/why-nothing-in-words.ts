import type { NothingTried } from './subject.ts';

/** After a colon. */
export const nothingTriedInWords: Readonly<Record<NothingTried, string>> = {
  noMarket: 'its market is not there any more',
  noOffer: 'its offer is not there any more',
  offerOff: 'its offer is switched off',
  notInMarket: 'its offer is not for its market',
  noGoal: 'its offer does not have the goal in its market',
  otherMeasure: 'its goal counts something else than the amounts of its arms',
};
