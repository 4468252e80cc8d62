import { endpoint, reply } from '../../server/http/endpoint.ts';
import { carrierService } from '../../server/http/guard.ts';
import { currentPolicy } from '../../server/quote/current-policy.ts';
import { quote } from '../../server/quote/quote.ts';

/** The shop's call: what a cart is offered and told, under the current release. */
export const POST = endpoint('POST /api/quote', async ({ body }) => {
  const current = await currentPolicy();
  if (!current)
    return {
      status: 409,
      title: 'Nothing has been released yet',
      detail: 'The shop reads releases only. Release the draft first.',
    };
  return reply(await quote(current, body, Date.now(), carrierService()));
});
