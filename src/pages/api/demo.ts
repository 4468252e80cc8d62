import type { APIRoute } from 'astro';
import { loadDemoStore } from '../../../demo/load.ts';
import { answering, json, problemResponse } from '../../server/http/problem.ts';

/** Fills an empty store with the demo store. */
export const POST: APIRoute = () =>
  answering(async () => {
    if (await loadDemoStore()) return json({ loaded: true }, { status: 201 });
    return problemResponse({
      status: 409,
      title: 'The store is not empty',
      detail: 'The demo store is only loaded where nothing has been set yet. Nothing was changed.',
    });
  });
