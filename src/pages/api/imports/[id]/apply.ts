import { endpoint } from '../../../../server/http/endpoint.ts';
import { confirmImport, runOr404 } from '../../../../server/imports/import-answers.ts';

export const POST = endpoint('POST /api/imports/{id}/apply', async ({ params }) =>
  confirmImport(await runOr404(params.id)),
);
