import { endpoint, reply } from '../../../server/http/endpoint.ts';
import { cancelOrders } from '../../../server/orders/placed/cancel-orders.ts';

/** The shop takes orders back. */
export const POST = endpoint('POST /api/orders/cancel', async ({ body }) =>
  reply({ orders: await cancelOrders(body.numbers) }),
);
