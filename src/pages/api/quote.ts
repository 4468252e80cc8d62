import { endpoint, reply } from '../../server/http/endpoint.ts';
import { carrierService } from '../../server/http/guard.ts';
import { currentPolicy } from '../../server/quote/current-policy.ts';
import { notReleased } from '../../server/quote/not-released.ts';
import { quote } from '../../server/quote/quote.ts';

/** The shop's call: what a cart is offered and told, under the current release. */
export const POST = endpoint('POST /api/quote', async ({ body }) => {
  const current = await currentPolicy();
  return current ? reply(await quote(current, body, Date.now(), carrierService())) : notReleased;
});
