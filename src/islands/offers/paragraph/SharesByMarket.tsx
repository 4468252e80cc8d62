import { useMemo } from 'react';
import { localMoneyOf } from '../../../core/money/local-amount.ts';
import { countsOrderValue } from '../../../core/offers/order-value-goals.ts';
import { resolveTarget } from '../../../core/offers/target.ts';
import { inOrder } from '../../../core/ordered.ts';
import { ordersBelow, type Distribution } from '../../../core/orders/distribution.ts';
import type { Offer } from '../../../core/policy/types.ts';
import { usePolicy } from '../../page/draft-context.tsx';
import { WhenSeen } from '../../../ui/chart/WhenSeen.tsx';
import { sharesHeight, type MarketShares } from './market-shares.ts';
import { lazyPart } from '../../../ui/lazy-part.tsx';

const SharesChart = lazyPart(() => import('./SharesChart.tsx'));

/** An offer’s goals on the orders of every market, each line from none to all of its orders: where one lies further right, it asks more of shoppers. */
export function SharesByMarket({
  offer,
  distributions,
}: {
  offer: Offer;
  distributions: ReadonlyMap<string, Distribution>;
}) {
  const policy = usePolicy();
  const { markets, store, rates } = policy;
  const rows = useMemo(
    () =>
      inOrder(markets).flatMap(([id, market]): MarketShares[] => {
        // A market has its line before its orders are there, so that nothing moves when they arrive.
        const distribution = distributions.get(id);
        const goals = inOrder(offer.goals).flatMap(([goalId, goal]) => {
          const target = goal.targets[id];
          const minor =
            target && countsOrderValue(goal, market)
              ? resolveTarget(target, localMoneyOf({ markets, store, ...(rates ? { rates } : {}) }, id))
              : null;
          return minor === null
            ? []
            : [
                {
                  goalId,
                  minor,
                  share:
                    distribution && distribution.orders > 0
                      ? ordersBelow(distribution, minor) / distribution.orders
                      : null,
                },
              ];
        });
        return goals.length > 0 ? [{ id, name: market.name, currency: market.currency, distribution, goals }] : [];
      }),
    [markets, store, rates, distributions, offer.goals],
  );
  if (rows.length < 2) return null;
  return (
    <div className="mt-2" data-testid="shares-by-market">
      <p className="text-small text-soft">
        Share of orders that lie below the goal, market by market: further right asks more of shoppers.
      </p>
      <WhenSeen height={sharesHeight(rows.length)} label="goals on the markets’ orders">
        {() => <SharesChart rows={rows} />}
      </WhenSeen>
    </div>
  );
}
