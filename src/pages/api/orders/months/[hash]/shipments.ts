import { endpoint } from '../../../../../server/http/endpoint.ts';
import { monthAnswer } from '../../../../../server/orders/month-answer.ts';

/** Where that month's orders went and what they weighed, packed: `?market=ID&month=DATE`. */
export const GET = endpoint('GET /api/orders/months/{hash}/shipments', ({ params: { hash }, query }) =>
  monthAnswer('shipments_packed', hash, query),
);
