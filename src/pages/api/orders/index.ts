import { endpoint, reply } from '../../../server/http/endpoint.ts';
import { listOrders } from '../../../server/orders/placed/list-orders.ts';
import { releasesInForce } from '../../../server/orders/placed/release-at.ts';
import { reportOrders } from '../../../server/orders/placed/report-orders.ts';
import { notReleased } from '../../../server/quote/not-released.ts';

/** The shop reports what was ordered. */
export const POST = endpoint('POST /api/orders', async ({ body }) => {
  const releases = await releasesInForce();
  return releases ? reply({ orders: await reportOrders(body.orders, releases) }) : notReleased;
});

export const GET = endpoint('GET /api/orders', async ({ query }) => reply(await listOrders(query)));
