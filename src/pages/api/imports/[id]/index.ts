import { endpoint } from '../../../../server/http/endpoint.ts';
import { answerRun, runOr404 } from '../../../../server/imports/import-answers.ts';

export const GET = endpoint('GET /api/imports/{id}', async ({ params }) => answerRun((await runOr404(params.id)).id));
