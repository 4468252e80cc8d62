import { endpoint, reply } from '../../../server/http/endpoint.ts';
import { beginImport } from '../../../server/imports/import-answers.ts';
import { listRuns } from '../../../server/imports/import-store.ts';

export const GET = endpoint('GET /api/imports', async () => reply({ imports: await listRuns() }));

export const POST = endpoint('POST /api/imports', ({ body, person }) => beginImport(body, person));
