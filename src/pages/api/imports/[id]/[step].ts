import type { APIRoute } from 'astro';
import { answering, problemResponse } from '../../../../server/http/problem.ts';
import { cancelImport, confirmImport, runOr404 } from '../../../../server/imports/import-answers.ts';

/** `POST /api/imports/ID/apply` and `POST /api/imports/ID/cancel`. */
export const POST: APIRoute = ({ params }) =>
  answering(async () => {
    const run = await runOr404(params.id);
    if (params.step === 'apply') return confirmImport(run);
    if (params.step === 'cancel') return cancelImport(run);
    return problemResponse({
      status: 404,
      title: 'There is no such call',
      detail: 'An import can be stepped by apply and cancel.',
    });
  });
