import { callNamed } from '../../contract/calls.ts';
import type { QuoteRequest } from '../../contract/shapes/quote.ts';
import { endpoint, reply } from '../../server/http/endpoint.ts';
import { carrierService } from '../../server/http/guard.ts';
import { bodySchema, checkedJson } from '../../server/http/read-request.ts';
import { revalidated } from '../../server/http/revalidated.ts';
import { currentPolicy } from '../../server/quote/current-policy.ts';
import { notReleased } from '../../server/quote/not-released.ts';
import { quote } from '../../server/quote/quote.ts';

/** The shop's call: what a cart is offered and told, under the current release. */
export const POST = endpoint('POST /api/quote', async ({ body }) => {
  const current = await currentPolicy();
  return current ? reply(await quote(current, body, Date.now(), carrierService())) : notReleased;
});

const { schema } = callNamed('POST /api/quote').body as { schema: object };
const validate = bodySchema<QuoteRequest>(schema);

/** The same of a cart in the address, for what is asked again and again: whoever has the answer is told that it is still the same. */
export const GET = endpoint('GET /api/quote', async ({ query, request }) => {
  const asked = checkedJson(query.asked, validate);
  const current = await currentPolicy();
  if (!current) return notReleased;
  const answer = await quote(current, asked, Date.now(), carrierService());
  // Who is signed in, what was entered and what was promised is nobody else's.
  const isTheirs = [asked.shopper, asked.codes, asked.sign, asked.answers, asked.earlier].some(
    (part) => part !== undefined,
  );
  return revalidated(request, answer, isTheirs ? 'private' : 'public');
});
