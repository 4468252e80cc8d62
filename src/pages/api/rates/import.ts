import type { APIRoute } from 'astro';
import { answering, json } from '../../../server/http/problem.ts';
import { importRates, validateImportQuery } from '../../../server/rates/import-rates.ts';
import { readQuery } from '../../../server/http/read-request.ts';

/** Rates as the European Central Bank publishes their history: `?dryRun=yes` tells what they would change. */
export const POST: APIRoute = ({ request, url }) =>
  answering(async () => json(await importRates(request, readQuery(url, validateImportQuery).dryRun === 'yes')));
