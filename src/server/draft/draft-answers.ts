import { draftEtag } from '../http/read-request.ts';
import { json, problemResponse } from '../http/problem.ts';
import type { Draft, EditOutcome } from './draft-store.ts';

export function draftAnswer(draft: Draft): Response {
  return json(draft, { headers: { etag: draftEtag(draft.revision) } });
}

/** An edit's outcome as HTTP: 200 with the draft, 412 with the newer draft, 422 with the faults. */
export function editAnswer(outcome: EditOutcome): Response {
  switch (outcome.kind) {
    case 'done':
    case 'nothing':
      return draftAnswer(outcome.draft);
    case 'stale':
      return problemResponse({
        status: 412,
        title: 'The draft has moved on',
        detail: 'Someone else edited it meanwhile. Nothing was changed. The newer draft is in “draft”: put the edit on top of it and send it again.',
        more: { draft: outcome.draft },
        headers: { etag: draftEtag(outcome.draft.revision) },
      });
    case 'refused':
      return problemResponse({
        status: 422,
        title: 'The draft would not be valid after this edit',
        detail: 'Nothing was changed. The places named are wrong.',
        fields: outcome.faults.slice(0, 20),
        headers: { etag: draftEtag(outcome.revision) },
      });
  }
}
