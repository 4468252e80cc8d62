import { asksForChangesOnly, editAnswer } from '../../../server/draft/draft-answers.ts';
import { stepHistory } from '../../../server/draft/draft-store.ts';
import { endpoint } from '../../../server/http/endpoint.ts';
import { userOf } from '../../../server/user.ts';

export const POST = endpoint('POST /api/draft/undo', async ({ revision, request }) =>
  editAnswer(await stepHistory('undo', revision, userOf(request)), asksForChangesOnly(request)),
);
