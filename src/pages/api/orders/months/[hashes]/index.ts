import { endpoint } from '../../../../../server/http/endpoint.ts';
import { monthsAnswer } from '../../../../../server/orders/months-answer.ts';

/** Months of a market's orders, packed: `?market=ID`. */
export const GET = endpoint('GET /api/orders/months/{hashes}', ({ params: { hashes }, query: { market } }) =>
  monthsAnswer('columns_packed', market, hashes),
);
