import { statusOf } from '../../client/draft/draft-reducer.ts';
import { useDraft } from '../page/draft-context.tsx';
import { useChanges, useRelease } from '../page/page-context.tsx';

/** The state of the draft in words. */
export function DraftPhrase() {
  const status = useDraft(statusOf);
  const changes = useChanges();
  const release = useRelease();
  const saving = { saved: 'draft saved', saving: 'saving …', waiting: 'not saved yet, trying again' }[status];
  const count = `${changes.length || 'no'} ${changes.length > 1 ? 'changes' : 'change'}`;
  return (
    <p
      className="ml-auto w-39 shrink-0 text-right xl:w-44 text-fine leading-tight text-soft"
      role="status"
      data-testid="draft-phrase"
    >
      <span className={`block ${status === 'waiting' ? 'text-warning' : ''}`}>{saving}</span>
      <span className="block">{release ? `${count} since release ${release.number}` : 'nothing released yet'}</span>
    </p>
  );
}
