import { setTimeout as wait } from 'node:timers/promises';
import type { APIRoute } from 'astro';
import { answering, problemResponse } from '../../../server/http/problem.ts';
import { standInPages } from '../../../server/stand-ins/pages.ts';
import { standInMode } from '../../../server/stand-ins/stand-in-modes.ts';

/** Simulated pages elsewhere. They can be slow, lead to another host, or be down. */
export const GET: APIRoute = ({ params: { page = '' } }) =>
  answering(async () => {
    const mode = await standInMode('pages');
    if (mode === 'slow') await wait(12_000);
    if (mode === 'elsewhere')
      return new Response(null, { status: 302, headers: { location: 'https://other.example.com/' } });
    const found = Object.hasOwn(standInPages, page) ? standInPages[page] : undefined;
    if (mode === 'down' || !found)
      return problemResponse({
        status: found ? 503 : 404,
        title: found ? 'The simulated pages are switched off' : 'There is no such simulated page',
        detail: 'Nothing was changed.',
      });
    return new Response(found.content, {
      headers: { 'content-type': `${found.type}; charset=utf-8`, 'cache-control': 'no-store' },
    });
  });
