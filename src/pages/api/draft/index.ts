import { draftEtag } from '../../../contract/etag.ts';
import { asksForChangesOnly, draftAnswer, draftSinceAnswer, editAnswer } from '../../../server/draft/draft-answers.ts';
import { editDraft, readDraft, readDraftSince } from '../../../server/draft/draft-store.ts';
import { endpoint } from '../../../server/http/endpoint.ts';
import { isKnown } from '../../../server/http/revalidated.ts';

export const GET = endpoint('GET /api/draft', async ({ query: { since }, request, person }) => {
  if (since !== undefined) return draftSinceAnswer(await readDraftSince(Number(since), person));
  const draft = await readDraft(person);
  const etag = draftEtag(draft.revision);
  if (isKnown(request, etag)) return new Response(null, { status: 304, headers: { etag } });
  return draftAnswer(draft);
});

export const PATCH = endpoint('PATCH /api/draft', async ({ revision, body, request, person }) =>
  editAnswer(await editDraft(revision, body, { kind: 'edit', by: person }), asksForChangesOnly(request)),
);
