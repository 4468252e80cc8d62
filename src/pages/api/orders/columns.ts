import { joinMonths } from '../../../core/orders/columns.ts';
import { endpoint } from '../../../server/http/endpoint.ts';
import { marketAsked } from '../../../server/orders/market-query.ts';
import { orderMonths } from '../../../server/orders/order-months.ts';

/** All orders of a market of the draft, packed month by month: `?market=ID`. */
export const GET = endpoint('GET /api/orders/columns', async ({ query: { market } }) => {
  const { id, currency, policy } = await marketAsked(market);
  const months = await orderMonths(id, currency, policy.store.timeZone);
  const heading = {
    currency,
    months: months.map(({ month, orders, options, bytes }) => ({
      month,
      orders,
      bytes: bytes.length,
      options: [...options],
    })),
  };
  const packed = joinMonths(
    heading,
    months.map(({ bytes }) => bytes),
  );
  return new Response(packed as Uint8Array<ArrayBuffer>, {
    headers: { 'content-type': 'application/octet-stream', 'cache-control': 'no-store' },
  });
});
