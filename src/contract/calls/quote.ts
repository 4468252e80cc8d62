import { answer, defineCalls, problem, writeRefused } from '../call.ts';
import { QuoteRequestShape, QuoteShape } from '../shapes/quote.ts';

const { 403: _, ...refused } = writeRefused;

/** The shop's call, which other sites make as well. */
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
});
