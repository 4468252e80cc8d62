import { Type } from '@sinclair/typebox';
import { answer, databaseAway, defineCalls, file, problem } from '../call.ts';
import { object } from '../shape.ts';
import { BasketStudyShape, FoundOrderShape, GroupQueryShape, ValueCountsShape } from '../shapes/order.ts';

const market = object({ market: Type.String({ maxLength: 80 }) });
const noSuchMarket = problem('no such market');

export const orderCalls = defineCalls({
  'GET /api/orders/values': {
    summary: 'How order values are distributed in a market',
    query: market,
    answers: {
      200: answer('distinct values, as steps, with the number of orders of each', ValueCountsShape),
      404: noSuchMarket,
      422: problem('no market is named'),
      503: databaseAway,
    },
  },
  'GET /api/orders/columns': {
    summary: 'All orders of a market, packed into columns month by month (src/core/orders/columns.ts)',
    query: market,
    answers: {
      200: file(
        'the length of a JSON heading in 32 bits, the heading, and the bytes of each month',
        'application/octet-stream',
      ),
      404: noSuchMarket,
      422: problem('no market is named'),
      503: databaseAway,
    },
  },
  'GET /api/orders/group': {
    summary: 'What the orders in a stretch of values hold',
    query: GroupQueryShape,
    answers: {
      200: answer('products, and pairs bought together more often than by chance', BasketStudyShape),
      404: noSuchMarket,
      422: problem('the group is not said completely'),
      503: databaseAway,
    },
  },
  'GET /api/orders/order': {
    summary: 'One past order by the number the shop gave it',
    query: object({ number: Type.String({ minLength: 1, maxLength: 40 }) }),
    answers: {
      200: answer('the order, amounts in minor units of its currency', FoundOrderShape),
      404: problem('no order has that number'),
      422: problem('no number is given'),
      503: databaseAway,
    },
  },
});
