import { endpoint, reply } from '../../../server/http/endpoint.ts';
import { agreementOf } from '../../../server/orders/placed/list-orders.ts';

/** Whether shops charge what the rules say. */
export const GET = endpoint('GET /api/orders/agreement', async ({ query }) => reply(await agreementOf(query)));
