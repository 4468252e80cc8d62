import { draftEtag } from '../http/read-request.ts';
import { json, problemResponse } from '../http/problem.ts';
import type { Draft, DraftSince, EditOutcome } from './draft-store.ts';

/** Whether a caller has the draft of before and asks only for what has changed (RFC 7240, `return=minimal`). */
export function asksForChangesOnly(request: Request): boolean {
  return (request.headers.get('prefer') ?? '')
    .split(',')
    .some((preference) => preference.trim().toLowerCase() === 'return=minimal');
}

export function draftAnswer(draft: Draft): Response {
  return json(wholeDraft(draft), { headers: { etag: draftEtag(draft.revision) } });
}

/** What has changed since the caller's revision, or the whole draft where that is not known. */
export function draftSinceAnswer(draft: DraftSince): Response {
  if (!draft.since) return draftAnswer(draft);
  return json(changesOnly(draft), {
    headers: { etag: draftEtag(draft.revision), 'preference-applied': 'return=minimal' },
  });
}

function wholeDraft({ revision, policy, canUndo, canRedo }: Draft): object {
  return { revision, policy, canUndo, canRedo };
}

function changesOnly({ revision, canUndo, canRedo, since }: DraftSince): object {
  return { revision, canUndo, canRedo, since };
}

/** An edit's outcome as HTTP: 200 with the draft, 412 with the newer draft, 422 with the faults. */
export function editAnswer(outcome: EditOutcome, onlyChanges: boolean): Response {
  switch (outcome.kind) {
    case 'done':
    case 'nothing':
      return onlyChanges ? draftSinceAnswer(outcome.draft) : draftAnswer(outcome.draft);
    case 'stale':
      return problemResponse({
        status: 412,
        title: 'The draft has moved on',
        detail:
          'Someone else edited it meanwhile. Nothing was changed. The newer draft is in “draft”: put the edit on top of it and send it again.',
        more: { draft: onlyChanges && outcome.draft.since ? changesOnly(outcome.draft) : wholeDraft(outcome.draft) },
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
