import { useEffect, useState } from 'react';
import { call } from '../../client/http.ts';
import type { PolicyChange } from '../../core/changes/changes.ts';
import { isOfOffer } from '../../core/changes/draft-history.ts';
import type { AnswerTo } from '../../contract/calls.ts';
import type { HistoricEdit } from '../../contract/shapes/draft.ts';
import { useDraft } from '../page/draft-context.tsx';
import { useChanges, useNotation, useRelease } from '../page/page-context.tsx';
import { Becomes } from '../../ui/Becomes.tsx';

/** What is planned for an offer, that is in the draft and not released, and what has been done to it in the draft. */
export function OfferHistory({ offerId }: { offerId: string }) {
  const changes = useChanges();
  const release = useRelease();
  const [open, setOpen] = useState(false);
  const planned = changes.filter((change) => isOfOffer(change, offerId));
  return (
    <div className="mt-1 text-small" data-testid="offer-history">
      <button
        type="button"
        className="btn btn-xs"
        aria-expanded={open}
        onClick={() => setOpen(!open)}
        data-testid="open-history"
      >
        {open ? 'Hide its history' : 'Show its history'}
      </button>
      {release && (
        <span className="text-soft">
          {' '}
          {planned.length === 0
            ? `as in release ${release.number}`
            : `${planned.length} ${planned.length === 1 ? 'change' : 'changes'} since release ${release.number}`}
        </span>
      )}
      {open && (
        <div className="border-l-2 border-primary pl-3">
          {planned.length > 0 && (
            <>
              <h3 className="font-sans font-semibold">Planned: in the draft and not released</h3>
              <ul>
                {planned.map((change) => (
                  <li key={change.path}>
                    <InWords change={change} />
                  </li>
                ))}
              </ul>
            </>
          )}
          <Edits offerId={offerId} />
        </div>
      )}
    </div>
  );
}

function Edits({ offerId }: { offerId: string }) {
  const { locale } = useNotation();
  const revision = useDraft((state) => state.saved.revision);
  const [history, setHistory] = useState<AnswerTo<'GET /api/draft/history'> | 'none' | null>(null);
  useEffect(() => {
    let wanted = true;
    void call('GET /api/draft/history', { query: { offer: offerId, language: locale } }).then((answer) => {
      if (wanted) setHistory(answer.ok ? answer.body : 'none');
    });
    return () => {
      wanted = false;
    };
  }, [offerId, locale, revision]);
  if (history === null) return <p className="text-soft">reading edits …</p>;
  if (history === 'none')
    return (
      <p className="text-warning">
        The edits could not be read. The offer is as it stands here; open its history again in a moment.
      </p>
    );
  const when = new Intl.DateTimeFormat(locale, { dateStyle: 'medium', timeStyle: 'short' });
  const verbs: Record<HistoricEdit['kind'], string> = {
    found: 'began with the store',
    edit: '',
    undo: 'took back',
    redo: 'did again',
  };
  return (
    <>
      <h3 className="font-sans font-semibold">Done in the draft</h3>
      {history.edits.length === 0 && <p className="text-soft">Nothing yet.</p>}
      <ol>
        {history.edits.map((edit) => (
          <li key={edit.revision} className={edit.state === 'done' ? '' : 'text-soft'} data-testid="historic-edit">
            <span className="text-soft">
              {when.format(new Date(edit.madeAt))}, {edit.madeBy}
              {verbs[edit.kind] && `, ${verbs[edit.kind]}`}
              {edit.state !== 'done' && ', undone since'}:
            </span>{' '}
            {edit.kind === 'found'
              ? 'the offer as it was loaded'
              : edit.changes.map((change, index) => (
                  <span key={change.path}>
                    {index > 0 && '; '}
                    <InWords change={change} />
                  </span>
                ))}
          </li>
        ))}
      </ol>
      {!history.complete && <p className="text-soft">Older edits are not listed.</p>}
    </>
  );
}

const InWords = ({ change: { subject, before, after } }: { change: PolicyChange }) => (
  <>
    {subject}: <span className="text-soft">{before ?? 'not there'}</span>
    <Becomes />
    <strong className="font-semibold">{after ?? 'taken away'}</strong>
  </>
);
