import { endpoint, reply } from '../../../server/http/endpoint.ts';
import { marketAsked } from '../../../server/orders/market-query.ts';
import { valueCounts } from '../../../server/orders/order-store.ts';

/** How order values are distributed in a market of the draft: `?market=ID`. */
export const GET = endpoint('GET /api/orders/values', async ({ query: { market } }) => {
  const { id, currency, policy } = await marketAsked(market);
  return reply(await valueCounts(id, currency, policy.store.timeZone));
});
