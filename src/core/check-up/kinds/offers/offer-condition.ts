import { holdsInMarket } from '../../../offers/authoring/holds-in-market.ts';
import { inOrder } from '../../../ordered.ts';
import type { Policy } from '../../../policy/types.ts';
import { conditionsJudged, type Conditioned } from '../../conditions-of-entries.ts';
import type { FindingKind } from '../../kind.ts';

const offersOn = ({ offers }: Policy): Conditioned[] =>
  inOrder(offers).flatMap(([id, offer]) =>
    offer.on
      ? [{ id, name: offer.name, when: offer.when, isIn: (marketId: string) => holdsInMarket(offer, marketId) }]
      : [],
  );

/** An offer that is on and for nobody: its condition contradicts itself. */
export const offerNever: FindingKind = {
  kind: 'offerNever',
  called: 'offers whose condition never holds',
  stop: 'offers',
  find: (examined) => conditionsJudged(examined, 'offers', offersOn(examined.compiled.policy), 'never'),
};

export const offerConditionAlways: FindingKind = {
  kind: 'offerConditionAlways',
  called: 'conditions of offers that always hold',
  stop: 'offers',
  find: (examined) => conditionsJudged(examined, 'offers', offersOn(examined.compiled.policy), 'always'),
};
