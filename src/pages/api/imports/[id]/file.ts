import { endpoint } from '../../../../server/http/endpoint.ts';
import { runOr404, takeFile } from '../../../../server/imports/import-answers.ts';

/** The file itself, read as it comes in. Answers once it has been read and checked. */
export const PUT = endpoint('PUT /api/imports/{id}/file', async ({ params, request }) =>
  takeFile(await runOr404(params.id), request),
);
