import { endpoint } from '../../../../server/http/endpoint.ts';
import { monthAnswer } from '../../../../server/orders/month-answer.ts';

/** One month of a market's orders, packed: `?market=ID&month=DATE`. */
export const GET = endpoint('GET /api/orders/months/{hash}', ({ params: { hash }, query }) =>
  monthAnswer('columns_packed', hash, query),
);
