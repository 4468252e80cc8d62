import type { APIRoute } from 'astro';
import { answering, json } from '../../../server/http/problem.ts';
import { marketAsked } from '../../../server/orders/market-query.ts';
import { valueCounts } from '../../../server/orders/order-store.ts';

/** How order values are distributed in a market of the draft: `?market=ID`. */
export const GET: APIRoute = ({ url }) =>
  answering(async () => {
    const { id, currency, policy } = await marketAsked(url);
    return json(await valueCounts(id, currency, policy.store.timeZone));
  });
