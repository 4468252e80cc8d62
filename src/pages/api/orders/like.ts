import { instantOfClock } from '../../../core/time/time-zone-clock.ts';
import { endpoint, reply } from '../../../server/http/endpoint.ts';
import { marketAsked } from '../../../server/orders/market-query.ts';
import { numbersLike } from '../../../server/orders/past-order.ts';

/** Numbers of orders of one day that are worth the same and paid the same for delivery. */
export const GET = endpoint('GET /api/orders/like', async ({ query }) => {
  const { id, currency, policy } = await marketAsked(query.market);
  const at = (day: number) => instantOfClock(policy.store.timeZone, day, 0, 'earlier');
  const day = Number(query.day);
  const numbers = await numbersLike({
    marketId: id,
    currency,
    from: at(day),
    until: at(day + 1),
    value: Number(query.value),
    delivery: query.delivery === undefined ? null : Number(query.delivery),
    option: query.option ?? null,
  });
  return reply({ numbers });
});
