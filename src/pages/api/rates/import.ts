import { endpoint, reply } from '../../../server/http/endpoint.ts';
import { importRates } from '../../../server/rates/import-rates.ts';

/** Rates as the European Central Bank publishes their history: `?dryRun=yes` tells what they would change. */
export const POST = endpoint('POST /api/rates/import', async ({ request, query: { dryRun } }) =>
  reply(await importRates(request, dryRun === 'yes')),
);
