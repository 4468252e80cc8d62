import type { APIRoute } from 'astro';
import { answering } from '../../../../server/http/problem.ts';
import { answerRun, runOr404 } from '../../../../server/imports/import-answers.ts';

export const GET: APIRoute = ({ params }) => answering(async () => answerRun((await runOr404(params.id)).id));
