import { answer, defineCalls, problem, writeRefused } from '../call.ts';
import {
  QuoteRequestShape,
  QuoteShape,
  QuotesRequestShape,
  QuotesShape,
  VerifiedQuoteShape,
  VerifyRequestShape,
} from '../shapes/quote.ts';

const { 403: _, ...refused } = writeRefused;

/** The shop's calls, which other sites make as well. */
export const quoteCalls = defineCalls({
  'POST /api/quote': {
    summary: 'What a cart is offered and told under the current release',
    body: { schema: QuoteRequestShape, most: 64 * 1024 },
    answers: {
      200: answer('the quote', QuoteShape),
      ...refused,
      409: problem('nothing has been released yet'),
      422: problem('malformed, or products are unknown'),
    },
  },
  'POST /api/quotes': {
    summary: 'The same for up to 100 carts; one that cannot be quoted leaves the others alone',
    body: { schema: QuotesRequestShape, most: 1024 * 1024 },
    answers: {
      200: answer('a quote of each, or why there is none, in the order of the carts', QuotesShape),
      ...refused,
      409: problem('nothing has been released yet'),
      422: problem('malformed'),
    },
  },
  'POST /api/quotes/verify': {
    summary: 'Whether a signed quote is what was answered, and may still be relied on',
    body: { schema: VerifyRequestShape, most: 256 * 1024 },
    answers: {
      200: answer('whether it holds, else why not', VerifiedQuoteShape),
      ...refused,
      422: problem('malformed'),
    },
  },
});
