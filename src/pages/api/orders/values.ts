import type { APIRoute } from 'astro';
import { readDraft } from '../../../server/draft/draft-store.ts';
import { answering, json, problemResponse } from '../../../server/http/problem.ts';
import { valueCounts } from '../../../server/orders/order-store.ts';

/** How order values are distributed in a market of the draft: `?market=ID`. */
export const GET: APIRoute = ({ url }) =>
  answering(async () => {
    const id = url.searchParams.get('market') ?? '';
    const { policy } = await readDraft();
    const market = Object.hasOwn(policy.markets, id) ? policy.markets[id] : undefined;
    if (!market) {
      const known = Object.keys(policy.markets).join(', ') || 'none yet';
      return problemResponse({ status: 404, title: 'There is no such market', detail: `Markets of the draft: ${known}.`, fields: [{ pointer: '/market', message: `must be one of: ${known}` }] });
    }
    return json(await valueCounts(id, market.currency));
  });
