import type { APIRoute } from 'astro';
import { joinMonths } from '../../../core/orders/columns.ts';
import { answering } from '../../../server/http/problem.ts';
import { marketAsked } from '../../../server/orders/market-query.ts';
import { orderMonths } from '../../../server/orders/order-months.ts';

/** All orders of a market of the draft, packed month by month: `?market=ID`. */
export const GET: APIRoute = ({ url }) =>
  answering(async () => {
    const { id, currency, policy } = await marketAsked(url);
    const months = await orderMonths(id, currency, policy.store.timeZone);
    const heading = {
      currency,
      months: months.map(({ month, orders, options, bytes }) => ({
        month,
        orders,
        bytes: bytes.length,
        options: [...options],
      })),
    };
    return new Response(
      joinMonths(
        heading,
        months.map(({ bytes }) => bytes),
      ) as Uint8Array<ArrayBuffer>,
      { headers: { 'content-type': 'application/octet-stream', 'cache-control': 'no-store' } },
    );
  });
