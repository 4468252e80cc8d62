import { studyBaskets } from '../../../core/orders/baskets.ts';
import { instantOfClock } from '../../../core/time/time-zone-clock.ts';
import { endpoint, reply } from '../../../server/http/endpoint.ts';
import { basketsOf, mostBaskets } from '../../../server/orders/group-store.ts';
import { marketAsked } from '../../../server/orders/market-query.ts';

/** What orders in a stretch of values hold. */
export const GET = endpoint('GET /api/orders/group', async ({ query }) => {
  const { fromValue, toValue, fromDay, toDay, shopper = 'all', option = null, delivery = 'all' } = query;
  const { id, currency, policy } = await marketAsked(query.market);
  const at = (day: string) => instantOfClock(policy.store.timeZone, Number(day), 0, 'earlier');
  const baskets = await basketsOf({
    marketId: id,
    currency,
    fromValue: Number(fromValue),
    toValue: Number(toValue),
    from: at(fromDay),
    until: at(toDay),
    shopper,
    option,
    delivery,
  });
  return reply({ ...studyBaskets(baskets), mostBaskets });
});
