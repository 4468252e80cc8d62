import { answer, databaseAway, defineCalls, problem } from '../call.ts';
import { object, optional, text, word } from '../shape.ts';
import { FetchedRatesShape, ImportedRatesShape, RateHistoryShape } from '../shapes/rates.ts';

export const rateCalls = defineCalls({
  'GET /api/rates': {
    needs: 'look',
    summary: 'Rates day by day, as far as they are known',
    answers: {
      200: answer('currency → days, the oldest first', object({ rates: RateHistoryShape, feed: text })),
      503: databaseAway,
    },
  },
  'POST /api/rates/fetch': {
    needs: 'edit',
    summary: 'Takes what the rate feed has; adopts nothing',
    answers: {
      200: answer('what it brought', FetchedRatesShape),
      502: problem('the feed cannot be read'),
      503: databaseAway,
    },
  },
  'POST /api/rates/import': {
    needs: 'edit',
    summary: 'Takes rates in the layout of the European Central Bank’s history; adopts nothing',
    query: object({ dryRun: optional(word('yes', 'no')) }),
    body: { types: ['text/csv'] },
    answers: {
      200: answer('what it brought or would bring', ImportedRatesShape),
      403: problem('sent by another site'),
      413: problem('too large'),
      422: problem('no rates in it, or the store’s base is not the euro'),
      503: databaseAway,
    },
  },
});
