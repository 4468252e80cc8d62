import { endpoint, reply } from '../../../server/http/endpoint.ts';
import { forgetShopper } from '../../../server/orders/forget-shopper.ts';

/** Somebody wants not to be known any more. */
export const POST = endpoint('POST /api/shoppers/forget', async ({ body }) =>
  reply({ orders: await forgetShopper(body.shopperKey) }),
);
