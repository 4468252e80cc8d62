import { endpoint } from '../../../../server/http/endpoint.ts';
import { cancelImport, runOr404 } from '../../../../server/imports/import-answers.ts';

export const POST = endpoint('POST /api/imports/{id}/cancel', async ({ params }) =>
  cancelImport(await runOr404(params.id)),
);
