import type { APIRoute } from 'astro';
import { answering } from '../../../../server/http/problem.ts';
import { runOr404, takeFile } from '../../../../server/imports/import-answers.ts';

/** The file itself, read as it comes in. Answers once it has been read and checked. */
export const PUT: APIRoute = ({ request, params }) =>
  answering(async () => takeFile(await runOr404(params.id), request));
