import { Type } from '@sinclair/typebox';
import { answer, databaseAway, defineCalls, keyRefused, nothing, problem, writeRefused } from '../call.ts';
import { object } from '../shape.ts';
import { CurrentShape, QuoteShape, QuotesShape } from '../shapes/quote.ts';
import { QuoteRequestShape, QuotesRequestShape } from '../shapes/quote-request.ts';
import { VerifiedQuoteShape, VerifyRequestShape } from '../shapes/signed-quote.ts';

const refused = { ...writeRefused, ...keyRefused };

/** The shop's calls, which other sites make as well. */
export const quoteCalls = defineCalls({
  'POST /api/quote': {
    needs: 'look',
    summary: 'What a cart is offered and told under the current release',
    shop: 'quotes',
    body: { schema: QuoteRequestShape, most: 64 * 1024 },
    answers: {
      200: answer('the quote', QuoteShape),
      ...refused,
      409: problem('nothing has been released yet'),
      422: problem('malformed, or products are unknown'),
    },
  },
  'GET /api/quote': {
    needs: 'look',
    summary: 'The same of a cart in the address; may be kept, and asked for again with If-None-Match',
    shop: 'quotes',
    query: object({
      asked: Type.String({ description: 'as JSON, what POST takes', minLength: 2, maxLength: 8000 }),
    }),
    answers: {
      200: answer('the quote', QuoteShape),
      304: nothing('the quote that is known is still the same'),
      400: problem('not JSON'),
      409: problem('nothing has been released yet'),
      422: problem('malformed, or products are unknown'),
      503: databaseAway,
      ...keyRefused,
    },
  },
  'GET /api/current': {
    needs: 'look',
    summary: 'What quotes rest on at the moment; may be kept, and asked for again with If-None-Match',
    shop: 'quotes',
    answers: {
      200: answer('the release that the shop uses, and the revision of the catalogue', CurrentShape),
      304: nothing('it is still the same'),
      503: databaseAway,
      ...keyRefused,
    },
  },
  'POST /api/quotes': {
    needs: 'look',
    summary: 'The same for up to 100 carts; one that cannot be quoted leaves the others alone',
    shop: 'quotes',
    body: { schema: QuotesRequestShape, most: 1024 * 1024 },
    answers: {
      200: answer('a quote of each, or why there is none, in the order of the carts', QuotesShape),
      ...refused,
      409: problem('nothing has been released yet'),
      422: problem('malformed'),
    },
  },
  'POST /api/quotes/verify': {
    needs: 'look',
    summary: 'Whether a signed quote is what was answered, and may still be relied on',
    shop: 'quotes',
    body: { schema: VerifyRequestShape, most: 256 * 1024 },
    answers: {
      200: answer('whether it holds, else why not', VerifiedQuoteShape),
      ...refused,
      422: problem('malformed'),
    },
  },
});
