import type { APIRoute } from 'astro';
import { problemResponse } from '../../server/http/problem.ts';

/** Any other address under /api. */
export const ALL: APIRoute = () =>
  problemResponse({ status: 404, title: 'There is no such call', detail: '/openapi.json describes those there are.' });
