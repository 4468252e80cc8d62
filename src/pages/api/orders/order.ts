import { endpoint, reply } from '../../../server/http/endpoint.ts';
import { findOrder } from '../../../server/orders/past-order.ts';

/** One past order by the number the shop gave it: `?number=`. */
export const GET = endpoint('GET /api/orders/order', async ({ query: { number } }) => {
  const order = await findOrder(number);
  if (order) return reply(order);
  return {
    status: 404,
    title: 'There is no such order',
    detail: `No past order has the number ${number}. Nothing was changed.`,
  };
});
