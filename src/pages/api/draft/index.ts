import type { APIRoute } from 'astro';
import { asksForChangesOnly, draftAnswer, draftSinceAnswer, editAnswer } from '../../../server/draft/draft-answers.ts';
import { editDraft, readDraft, readDraftSince } from '../../../server/draft/draft-store.ts';
import { maxPatchBytes, validateDraftQuery, validatePatch } from '../../../server/draft/draft-requests.ts';
import { answering } from '../../../server/http/problem.ts';
import { draftEtag, matchedRevision, readBody, readQuery } from '../../../server/http/read-request.ts';
import { userOf } from '../../../server/user.ts';

export const GET: APIRoute = ({ request, url }) =>
  answering(async () => {
    const { since } = readQuery(url, validateDraftQuery);
    if (since !== undefined) return draftSinceAnswer(await readDraftSince(Number(since)));
    const draft = await readDraft();
    if (request.headers.get('if-none-match') === draftEtag(draft.revision))
      return new Response(null, { status: 304, headers: { etag: draftEtag(draft.revision) } });
    return draftAnswer(draft);
  });

export const PATCH: APIRoute = ({ request }) =>
  answering(async () => {
    const revision = matchedRevision(request);
    const patch = await readBody(request, validatePatch, maxPatchBytes, [
      'application/json-patch+json',
      'application/json',
    ]);
    return editAnswer(
      await editDraft(revision, patch, { kind: 'edit', madeBy: userOf(request) }),
      asksForChangesOnly(request),
    );
  });
