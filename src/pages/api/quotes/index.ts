import { endpoint, reply } from '../../../server/http/endpoint.ts';
import { currentPolicy } from '../../../server/quote/current-policy.ts';
import { notReleased } from '../../../server/quote/not-released.ts';
import { quoteEach } from '../../../server/quote/quote.ts';

/** The shop's call for many carts, as of a list of products, each with one of them. */
export const POST = endpoint('POST /api/quotes', async ({ body }) => {
  const current = await currentPolicy();
  if (!current) return notReleased;
  return reply({ quotes: await quoteEach(current, body.carts, Date.now()) });
});
