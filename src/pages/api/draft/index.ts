import type { APIRoute } from 'astro';
import { draftAnswer, editAnswer } from '../../../server/draft/draft-answers.ts';
import { editDraft, readDraft } from '../../../server/draft/draft-store.ts';
import { maxPatchBytes, validatePatch } from '../../../server/draft/patch-schema.ts';
import { answering } from '../../../server/http/problem.ts';
import { draftEtag, matchedRevision, readBody } from '../../../server/http/read-request.ts';
import { userOf } from '../../../server/user.ts';

export const GET: APIRoute = ({ request }) =>
  answering(async () => {
    const draft = await readDraft();
    if (request.headers.get('if-none-match') === draftEtag(draft.revision)) return new Response(null, { status: 304, headers: { etag: draftEtag(draft.revision) } });
    return draftAnswer(draft);
  });

export const PATCH: APIRoute = ({ request }) =>
  answering(async () => {
    const revision = matchedRevision(request);
    const patch = await readBody(request, validatePatch, maxPatchBytes, ['application/json-patch+json', 'application/json']);
    return editAnswer(await editDraft(revision, patch, { kind: 'edit', madeBy: userOf(request) }));
  });
