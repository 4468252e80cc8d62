import type { APIRoute } from 'astro';
import { answering, json } from '../../../server/http/problem.ts';
import { readBody } from '../../../server/http/read-request.ts';
import { beginImport } from '../../../server/imports/import-answers.ts';
import { validateImportRequest } from '../../../server/imports/import-requests.ts';
import { listRuns } from '../../../server/imports/import-store.ts';
import { userOf } from '../../../server/user.ts';

export const GET: APIRoute = () => answering(async () => json({ imports: await listRuns() }));

export const POST: APIRoute = ({ request }) =>
  answering(async () => beginImport(await readBody(request, validateImportRequest, 256 * 1024), userOf(request)));
