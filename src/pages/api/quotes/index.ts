import { endpoint, reply } from '../../../server/http/endpoint.ts';
import { currentPolicy } from '../../../server/quote/current-policy.ts';
import { notReleased } from '../../../server/quote/not-released.ts';
import { refuseKept } from '../../../server/quote/asked-cart.ts';
import { quoteEach } from '../../../server/quote/quote.ts';

/** The shop's call for many carts, as of a list of products, each with one of them. */
export const POST = endpoint('POST /api/quotes', async ({ body, fromPage }) => {
  if (fromPage) for (const cart of body.carts) refuseKept(cart, 'is for the shop’s server');
  const current = await currentPolicy();
  if (!current) return notReleased;
  return reply({ quotes: await quoteEach(current, body.carts, Date.now()) });
});
