import { Type } from '@sinclair/typebox';
import { answer, databaseAway, defineCalls, keyRefused, problem } from '../call.ts';
import { object, optional } from '../shape.ts';
import { WhereShape } from '../shapes/where.ts';

export const whereCalls = defineCalls({
  'GET /api/where': {
    needs: 'look',
    summary: 'Which market to show before the shopper has said where the goods go',
    shop: 'quotes',
    query: object({
      address: optional(
        Type.String({ description: 'IPv4 or IPv6; without, that of whoever asks', minLength: 2, maxLength: 60 }),
      ),
      market: optional(
        Type.String({
          description: 'that the shopper has chosen, which always wins',
          pattern: '^[a-z0-9][a-z0-9-]{0,39}$',
        }),
      ),
    }),
    answers: {
      200: answer('the market, and how sure that is', WhereShape),
      409: problem('nothing has been released yet'),
      422: problem('malformed, or no such market'),
      503: databaseAway,
      ...keyRefused,
    },
  },
});
