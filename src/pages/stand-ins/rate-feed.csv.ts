import type { APIRoute } from 'astro';
import { answering, problemResponse } from '../../server/http/problem.ts';
import { rateFeedCsv } from '../../server/stand-ins/rate-feed.ts';
import { standInMode } from '../../server/stand-ins/stand-in-modes.ts';

const msPerDay = 86_400_000;

/** The simulated rate feed: two years up to today; a stale one ends nine days earlier. */
export const GET: APIRoute = () =>
  answering(async () => {
    const mode = await standInMode('rate-feed');
    if (mode === 'down')
      return problemResponse({
        status: 503,
        title: 'The simulated rate feed is switched off',
        detail: 'Switch it on at Markets.',
      });
    const today = Math.floor(Date.now() / msPerDay);
    return new Response(rateFeedCsv(today - 730, mode === 'stale' ? today - 9 : today), {
      headers: { 'content-type': 'text/csv; charset=utf-8', 'cache-control': 'no-store' },
    });
  });
