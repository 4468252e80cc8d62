import type { APIRoute } from 'astro';
import { answering, json } from '../../../server/http/problem.ts';
import { rateHistory } from '../../../server/rates/rate-store.ts';
import { standInMode } from '../../../server/stand-ins/stand-in-modes.ts';

export const GET: APIRoute = () =>
  answering(async () => json({ rates: await rateHistory(), feed: await standInMode('rate-feed') }));
