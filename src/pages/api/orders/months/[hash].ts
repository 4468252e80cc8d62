import { endpoint } from '../../../../server/http/endpoint.ts';
import { packedMonth } from '../../../../server/orders/order-months.ts';

/** One month of a market's orders, packed: `?market=ID&month=DATE`. */
export const GET = endpoint('GET /api/orders/months/{hash}', async ({ params: { hash }, query: { market, month } }) => {
  const packed = await packedMonth(market, month, hash);
  if (!packed)
    return {
      status: 404,
      title: 'These orders have changed',
      detail: 'They are no longer as this address has them. Read the months of the market anew.',
    };
  return new Response(packed as Uint8Array<ArrayBuffer>, {
    headers: {
      'content-type': 'application/octet-stream',
      // What the address names never changes.
      'cache-control': 'private, max-age=31536000, immutable',
    },
  });
});
