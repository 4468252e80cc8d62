import { endpoint, reply } from '../../../server/http/endpoint.ts';
import { marketAsked } from '../../../server/orders/market-query.ts';
import { orderMonths } from '../../../server/orders/order-months.ts';

/** The months that a market of the draft has orders of: `?market=ID`. */
export const GET = endpoint('GET /api/orders/months', async ({ query: { market } }) => {
  const { id, currency, policy } = await marketAsked(market);
  const months = await orderMonths(id, currency, policy.store.timeZone);
  return reply({ currency, months });
});
