import { asksForChangesOnly, editAnswer } from '../../../server/draft/draft-answers.ts';
import { stepHistory } from '../../../server/draft/draft-store.ts';
import { endpoint } from '../../../server/http/endpoint.ts';

export const POST = endpoint('POST /api/draft/redo', async ({ revision, request, person }) =>
  editAnswer(await stepHistory('redo', revision, person), asksForChangesOnly(request)),
);
