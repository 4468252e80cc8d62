import type { APIRoute } from 'astro';
import { asksForChangesOnly, editAnswer } from '../../../server/draft/draft-answers.ts';
import { stepHistory } from '../../../server/draft/draft-store.ts';
import { answering, problemResponse } from '../../../server/http/problem.ts';
import { matchedRevision } from '../../../server/http/read-request.ts';
import { userOf } from '../../../server/user.ts';

/** `POST /api/draft/undo` and `POST /api/draft/redo`. */
export const POST: APIRoute = ({ request, params }) =>
  answering(async () => {
    const step = params.step;
    if (step !== 'undo' && step !== 'redo')
      return problemResponse({
        status: 404,
        title: 'There is no such call',
        detail: 'The draft can be stepped by /api/draft/undo and /api/draft/redo.',
      });
    return editAnswer(await stepHistory(step, matchedRevision(request), userOf(request)), asksForChangesOnly(request));
  });
