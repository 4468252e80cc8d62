import { answer, databaseAway, defineCalls, keyRefused, problem, writeRefused } from '../call.ts';
import { object, whole } from '../shape.ts';
import {
  AgreementShape,
  CancelledOrdersShape,
  CancelOutcomesShape,
  ForgottenShopperShape,
  ListedOrdersShape,
  OrderListQueryShape,
  PlacedBetweenShape,
  PlacedOrdersShape,
  ReportedOrdersShape,
} from '../shapes/placed-order.ts';

const refused = { ...writeRefused, ...keyRefused };

/** Orders that come back from the shop. */
export const placedOrderCalls = defineCalls({
  'POST /api/orders': {
    needs: 'edit',
    summary: 'Reports orders placed, up to 1,000; the same number twice is one order',
    shop: 'orders',
    body: { schema: PlacedOrdersShape, most: 8 * 1024 * 1024 },
    answers: {
      200: answer(
        'what became of each, in their order; one that is refused leaves the others alone',
        ReportedOrdersShape,
      ),
      ...refused,
      409: problem('nothing has been released yet'),
      422: problem('malformed'),
    },
  },
  'POST /api/orders/cancel': {
    needs: 'edit',
    summary: 'Takes orders back, up to 1,000: they leave the past orders, and what they redeemed is free again',
    shop: 'orders',
    body: { schema: CancelledOrdersShape, most: 64 * 1024 },
    answers: {
      200: answer('what became of each, in their order', CancelOutcomesShape),
      ...refused,
      422: problem('malformed'),
    },
  },
  'POST /api/shoppers/forget': {
    needs: 'edit',
    summary: 'Takes away by which orders and quotes can be told to be of one shopper; what was ordered stays',
    shop: 'orders',
    body: { schema: ForgottenShopperShape, most: 16 * 1024 },
    answers: {
      200: answer('how many orders were of that shopper', object({ orders: whole })),
      ...refused,
      422: problem('malformed'),
    },
  },
  'GET /api/orders': {
    needs: 'look',
    summary: 'Orders that were reported, the newest first, 200 at a time',
    shop: 'orders',
    query: OrderListQueryShape,
    answers: {
      200: answer('the orders, and where the list goes on', ListedOrdersShape),
      422: problem('malformed'),
      503: databaseAway,
      ...keyRefused,
    },
  },
  'GET /api/orders/agreement': {
    needs: 'look',
    summary: 'How many orders were charged as the rules say, and how many were not',
    shop: 'orders',
    query: PlacedBetweenShape,
    answers: {
      200: answer('the counts; cancelled orders are left out', AgreementShape),
      422: problem('malformed'),
      503: databaseAway,
      ...keyRefused,
    },
  },
});
