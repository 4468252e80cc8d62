import { holdsInMarket } from '../../../offers/authoring/holds-in-market.ts';
import { inOrder } from '../../../ordered.ts';
import type { FindingKind } from '../../kind.ts';

/** An offer that is not bound to some markets and yet has no goal in others. */
export const offerMissing: FindingKind = {
  kind: 'offerMissing',
  called: 'offers without a goal in some markets',
  stop: 'offers',
  find: ({ compiled: { policy } }) => {
    const markets = inOrder(policy.markets);
    return inOrder(policy.offers).flatMap(([id, offer]) => {
      if (!offer.on || offer.markets || offer.unlock.by === 'code') return [];
      const holding = markets.filter(([marketId]) => holdsInMarket(offer, marketId));
      const without = markets.filter(([marketId]) => !holdsInMarket(offer, marketId));
      if (without.length === 0 || holding.length === 0) return [];
      return [
        {
          severity: 'remark',
          at: `/offers/${id}`,
          marketId: null,
          sentence: `“${offer.name}” is for every market, but has no goal in ${without.map(([, { name }]) => `“${name}”`).join(', ')}.`,
          example: null,
          remedy: {
            says: 'Bind it to where it has one',
            patch: [
              {
                op: 'add',
                path: `/offers/${id}/markets`,
                value: Object.fromEntries(holding.map(([marketId]) => [marketId, true])),
              },
            ],
          },
        },
      ];
    });
  },
};
