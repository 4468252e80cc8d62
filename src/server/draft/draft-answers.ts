import { draftEtag } from '../../contract/etag.ts';
import type { Draft, DraftAnswer, DraftChanges } from '../../contract/shapes/draft.ts';
import type { Reply } from '../http/endpoint.ts';
import type { Problem } from '../http/problem.ts';
import type { DraftSince, EditOutcome, StoredDraft } from './draft-store.ts';

/** Every call that answers the draft answers it alike. */
type DraftReply = Omit<Reply<'GET /api/draft'>, 'body'> & { body: DraftAnswer };

/** Whether a caller has the draft of before and asks only for what has changed (RFC 7240, `return=minimal`). */
export function asksForChangesOnly(request: Request): boolean {
  return (request.headers.get('prefer') ?? '')
    .split(',')
    .some((preference) => preference.trim().toLowerCase() === 'return=minimal');
}

export function draftAnswer(draft: StoredDraft): DraftReply {
  return { status: 200, body: wholeDraft(draft), headers: { etag: draftEtag(draft.revision) } };
}

/** What has changed since the caller's revision, or the whole draft where that is not known. */
export function draftSinceAnswer(draft: DraftSince): DraftReply {
  const changes = changesOnly(draft);
  if (!changes) return draftAnswer(draft);
  const headers = { etag: draftEtag(draft.revision), 'preference-applied': 'return=minimal' };
  return { status: 200, body: changes, headers };
}

function wholeDraft({ revision, policy, canUndo, canRedo }: StoredDraft): Draft {
  return { revision, policy, canUndo, canRedo };
}

function changesOnly({ revision, canUndo, canRedo, since }: DraftSince): DraftChanges | null {
  return since && { revision, canUndo, canRedo, since };
}

/** What one may not change, since it concerns markets that are not one's own. */
export const beyondMarkets = (reason: string): Problem => ({
  status: 403,
  title: 'You may not do this',
  detail: `Nothing was changed. ${reason}`,
});

/** An edit's outcome as HTTP: 200 with the draft, 403 with whose it is, 412 with the newer draft, 422 with the faults. */
export function editAnswer(outcome: EditOutcome, onlyChanges: boolean): DraftReply | Problem {
  switch (outcome.kind) {
    case 'done':
    case 'nothing':
      return onlyChanges ? draftSinceAnswer(outcome.draft) : draftAnswer(outcome.draft);
    case 'stale':
      return {
        status: 412,
        title: 'The draft has moved on',
        detail:
          'Someone else edited it meanwhile. Nothing was changed. The newer draft is in “draft”: put the edit on top of it and send it again.',
        draft: (onlyChanges && changesOnly(outcome.draft)) || wholeDraft(outcome.draft),
        headers: { etag: draftEtag(outcome.draft.revision) },
      };
    case 'covered':
      return {
        status: 409,
        title: 'Something lies on top of it',
        detail: `Nothing was changed. “${outcome.by.label}” by ${outcome.by.madeBy} came after “${outcome.step.label}” and is about the same. Once it has been taken back, yours can be, too; or change it as you want it.`,
      };
    case 'unfit':
      return {
        status: 409,
        title: 'It no longer fits',
        detail: `Nothing was changed. What “${outcome.step.label}” was made on is there no more.`,
      };
    case 'beyond':
      return beyondMarkets(outcome.reason);
    case 'refused':
      return {
        status: 422,
        title: 'The draft would not be valid after this edit',
        detail: 'Nothing was changed. The places named are wrong.',
        fields: outcome.faults.slice(0, 20),
        headers: { etag: draftEtag(outcome.revision) },
      };
  }
}
