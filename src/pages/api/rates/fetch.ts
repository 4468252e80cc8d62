import { endpoint, reply } from '../../../server/http/endpoint.ts';
import { rateFeed } from '../../../server/http/guard.ts';
import { fetchRates } from '../../../server/rates/fetch-rates.ts';

/** Takes what the rate feed has. Nothing is adopted by it. */
export const POST = endpoint('POST /api/rates/fetch', async () => reply(await fetchRates(rateFeed())));
