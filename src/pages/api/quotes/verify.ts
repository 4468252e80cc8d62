import { endpoint, reply } from '../../../server/http/endpoint.ts';
import { verifiedQuote } from '../../../server/quote/signature.ts';
import { signingSecrets } from '../../../server/quote/signing-secrets.ts';

/** Asked before an order is taken at a price that was quoted. */
export const POST = endpoint('POST /api/quotes/verify', async ({ body }) =>
  reply(verifiedQuote(body.quote, body.request, await signingSecrets(), Date.now())),
);
