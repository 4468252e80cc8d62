import { endpoint, reply } from '../../../server/http/endpoint.ts';
import { rateHistory } from '../../../server/rates/rate-store.ts';
import { standInMode } from '../../../server/stand-ins/stand-in-modes.ts';

export const GET = endpoint('GET /api/rates', async () =>
  reply({ rates: await rateHistory(), feed: await standInMode('rate-feed') }),
);
