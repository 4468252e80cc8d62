import { asksForChangesOnly, editAnswer } from '../../../server/draft/draft-answers.ts';
import { stepHistory } from '../../../server/draft/draft-store.ts';
import { endpoint } from '../../../server/http/endpoint.ts';

export const POST = endpoint('POST /api/draft/undo', async ({ revision, request, person }) =>
  editAnswer(await stepHistory('undo', revision, person), asksForChangesOnly(request)),
);
