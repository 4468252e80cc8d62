import { callNamed } from '../../contract/calls.ts';
import type { Quote } from '../../contract/shapes/quote.ts';
import type { QuoteRequest } from '../../contract/shapes/quote-request.ts';
import { endpoint, reply, type Outcome } from '../../server/http/endpoint.ts';
import { bodySchema, checkedJson } from '../../server/http/read-request.ts';
import { revalidated } from '../../server/http/revalidated.ts';
import { refuseKept } from '../../server/quote/asked-cart.ts';
import { currentPolicy, type CurrentPolicy } from '../../server/quote/current-policy.ts';
import { notReleased } from '../../server/quote/not-released.ts';
import { quote } from '../../server/quote/quote.ts';
import { andThen } from '../../server/soon.ts';

type Quoted = Outcome<'POST /api/quote'>;

/** The shop's call: what a cart is offered and told, under the current release. */
export const POST = endpoint('POST /api/quote', ({ body, fromPage }) => {
  if (fromPage) refuseKept(body, 'is for the shop’s server: a page’s quote is neither signed nor reserves anything');
  return andThen<CurrentPolicy | null, Quoted>(currentPolicy(), (current) =>
    current ? andThen<Quote, Quoted>(quote(current, body, Date.now()), (answer) => reply(answer)) : notReleased,
  );
});

const { schema } = callNamed('POST /api/quote').body as { schema: object };
const validate = bodySchema<QuoteRequest>(schema);
/** What all who look at the same goods say alike. */
const saidByAnybody = new Set(['lines', 'destination', 'market', 'language', 'channel', 'closing']);

/** The same of a cart in the address, for what is asked again and again: whoever has the answer is told that it is still the same. */
export const GET = endpoint('GET /api/quote', async ({ query, request }) => {
  const asked = checkedJson(query.asked, validate);
  const current = await currentPolicy();
  if (!current) return notReleased;
  refuseKept(asked, 'is asked for by POST: it has something kept');
  const answer = await quote(current, asked, Date.now());
  // Whatever else is said is about one shopper.
  const anybodys = Object.keys(asked).every((name) => saidByAnybody.has(name));
  return revalidated(request, answer, anybodys ? 'public' : 'private');
});
