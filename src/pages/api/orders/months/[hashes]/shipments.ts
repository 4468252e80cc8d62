import { endpoint } from '../../../../../server/http/endpoint.ts';
import { monthsAnswer } from '../../../../../server/orders/months-answer.ts';

/** Where the orders of months went and what they weighed, packed: `?market=ID`. */
export const GET = endpoint('GET /api/orders/months/{hashes}/shipments', ({ params: { hashes }, query: { market } }) =>
  monthsAnswer('shipments_packed', market, hashes),
);
