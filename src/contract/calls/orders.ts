import { Type } from '@sinclair/typebox';
import { answer, databaseAway, defineCalls, file, problem } from '../call.ts';
import { object } from '../shape.ts';
import {
  BasketStudyShape,
  FoundOrderShape,
  GroupQueryShape,
  OrderMonthsShape,
  OrderNumbersShape,
  OrdersLikeQueryShape,
  ValueCountsShape,
} from '../shapes/order.ts';

const market = object({ market: Type.String({ maxLength: 80 }) });
const noSuchMarket = problem('no such market');
/** A part of a month, found by what it holds. */
const packedMonths = {
  params: { hashes: Type.String({ pattern: '^[0-9a-f]{32}(-[0-9a-f]{32})*$' }) },
  query: object({ market: Type.String({ maxLength: 80 }) }),
  answers: {
    200: file('packed months, each after its length in 32 bits', 'application/octet-stream'),
    404: problem('one of them has changed'),
    422: problem('the market is not named'),
    503: databaseAway,
  },
};

export const orderCalls = defineCalls({
  'GET /api/orders/values': {
    needs: 'look',
    summary: 'How order values are distributed in a market',
    query: market,
    answers: {
      200: answer('distinct values, as steps, with the number of orders of each', ValueCountsShape),
      404: noSuchMarket,
      422: problem('no market is named'),
      503: databaseAway,
    },
  },
  'GET /api/orders/months': {
    needs: 'look',
    summary: 'The months that a market has orders of',
    query: market,
    answers: {
      200: answer('the months, oldest first, with what their orders are found under', OrderMonthsShape),
      404: noSuchMarket,
      422: problem('no market is named'),
      503: databaseAway,
    },
  },
  'GET /api/orders/months/{hashes}': {
    needs: 'look',
    summary:
      'The orders of up to 40 months, named by their hashes with dashes between and oldest first, packed into columns (src/core/orders/columns.ts); may be kept without end',
    ...packedMonths,
  },
  'GET /api/orders/months/{hashes}/shipments': {
    needs: 'look',
    summary:
      'Where they went, what they weighed and the code that was entered, in the same order, packed (src/core/orders/replay/shipments.ts); may be kept without end',
    ...packedMonths,
  },
  'GET /api/orders/group': {
    needs: 'look',
    summary: 'What the orders in a stretch of values hold',
    query: GroupQueryShape,
    answers: {
      200: answer('products, and pairs bought together more often than by chance', BasketStudyShape),
      404: noSuchMarket,
      422: problem('the group is not said completely'),
      503: databaseAway,
    },
  },
  'GET /api/orders/like': {
    needs: 'look',
    summary: 'Numbers of the orders of one day that are worth the same and paid the same for delivery',
    query: OrdersLikeQueryShape,
    answers: {
      200: answer('at most 10 numbers, the newest order first', OrderNumbersShape),
      404: noSuchMarket,
      422: problem('the orders are not said completely'),
      503: databaseAway,
    },
  },
  'GET /api/orders/order': {
    needs: 'look',
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
