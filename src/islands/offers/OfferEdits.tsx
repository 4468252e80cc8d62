import { useEffect, useState } from 'react';
import { call } from '../../client/http.ts';
import type { AnswerTo } from '../../contract/calls.ts';
import type { HistoricEdit } from '../../contract/shapes/draft.ts';
import { useDraft } from '../page/draft-context.tsx';
import { useNotation } from '../page/page-context.tsx';
import { ChangeInWords } from './ChangeInWords.tsx';

/** What has been done to an offer in the draft. */
export default function OfferEdits({ offerId }: { offerId: string }) {
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
                    <ChangeInWords change={change} />
                  </span>
                ))}
          </li>
        ))}
      </ol>
      {!history.complete && <p className="text-soft">Older edits are not listed.</p>}
    </>
  );
}
