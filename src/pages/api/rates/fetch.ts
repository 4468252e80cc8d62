import type { APIRoute } from 'astro';
import { rateFeed } from '../../../server/http/guard.ts';
import { answering, json } from '../../../server/http/problem.ts';
import { fetchRates } from '../../../server/rates/fetch-rates.ts';

/** Takes what the rate feed has. Nothing is adopted by it. */
export const POST: APIRoute = () => answering(async () => json(await fetchRates(rateFeed())));
