import { useEffect, useMemo, useState } from 'react';
import { resetDraftTo } from '../../client/edits/reset-draft.ts';
import { call } from '../../client/http.ts';
import type { ReleaseSummary } from '../../contract/shapes/release.ts';
import { policyChanges } from '../../core/changes/changes.ts';
import type { Policy } from '../../core/policy/types.ts';
import { PhraseSelect } from '../../ui/PhraseSelect.tsx';
import { useDraft } from '../page/draft-context.tsx';
import { useNotation } from '../page/page-context.tsx';
import { part } from '../page/parts.ts';
import { useGuardedEdit } from '../page/use-edit.tsx';
import { ChangeTable } from './ChangeList.tsx';
import { Alert } from '../../ui/Alert.tsx';

/** What is compared: a release by its number, or the draft. */
type Side = number | 'draft';

/** Policies of releases, which never change, as far as they have been asked for. */
function useReleasePolicy(side: Side): Policy | 'unreachable' | null {
  const draft = useDraft(({ settled }) => settled);
  const [read, setRead] = useState<ReadonlyMap<number, Policy | 'unreachable'>>(new Map());
  const wanted = side !== 'draft' && !read.has(side) ? side : null;
  useEffect(() => {
    if (wanted === null) return;
    void call('GET /api/releases/{number}', { params: { number: wanted } }).then((answer) =>
      setRead((known) => new Map(known).set(wanted, answer.ok ? answer.body.policy : 'unreachable')),
    );
  }, [wanted]);
  return side === 'draft' ? draft : (read.get(side) ?? null);
}

/** Two releases side by side, or one and the draft; and the way to make the draft say what a release says. */
export function CompareReleases({ releases }: { releases: readonly ReleaseSummary[] }) {
  const { locale } = useNotation();
  const { edit, refusal } = useGuardedEdit();
  const [newest, second] = releases;
  const [from, setFrom] = useState<Side>(second?.number ?? newest!.number);
  const [to, setTo] = useState<Side>(second ? newest!.number : 'draft');
  const [said, setSaid] = useState('');
  const [before, after] = [useReleasePolicy(from), useReleasePolicy(to)];
  const changes = useMemo(
    () =>
      before && after && before !== 'unreachable' && after !== 'unreachable'
        ? policyChanges(before, after, locale)
        : null,
    [before, after, locale],
  );
  const options = [
    ['draft', 'the draft'] as const,
    ...releases.map(
      ({ number, note }) => [String(number), `release ${number}${note ? `, ${shortened(note)}` : ''}`] as const,
    ),
  ];
  const side = (value: string): Side => (value === 'draft' ? 'draft' : Number(value));
  const reset = () => {
    if (from === 'draft' || !before || before === 'unreachable') return;
    setSaid(edit(resetDraftTo(before)) ? `The draft says what release ${from} says. Undo takes it back.` : '');
  };
  return (
    <section
      ref={part('compare')}
      className="mt-4 outline-none"
      aria-label="Compare releases"
      data-testid="compare-releases"
    >
      <h2 className="text-lead">Compare</h2>
      <p className="flex flex-wrap items-baseline gap-x-2 leading-7">
        <span>
          From{' '}
          <PhraseSelect
            label="Compared from"
            value={String(from)}
            options={options}
            choose={(value) => setFrom(side(value))}
            testId="compare-from"
          />{' '}
          to{' '}
          <PhraseSelect
            label="Compared to"
            value={String(to)}
            options={options}
            choose={(value) => setTo(side(value))}
            testId="compare-to"
          />
        </span>
        {from !== 'draft' && (
          <button
            type="button"
            className="btn btn-xs"
            title="Everything shoppers are promised becomes as it was there, in one edit; test carts, made-up shoppers and assumptions stay"
            disabled={!before || before === 'unreachable'}
            onClick={reset}
            data-testid="reset-draft"
          >
            Reset the draft to release {from}
          </button>
        )}
      </p>
      {refusal}
      {said && <p role="status">{said}</p>}
      {(before === 'unreachable' || after === 'unreachable') && (
        <Alert>A release could not be read. Reload the page to try again; nothing is lost.</Alert>
      )}
      {changes?.length === 0 && <p className="text-soft">For shoppers they say the same.</p>}
      {changes && changes.length > 0 && (
        <ChangeTable label="Differences" changes={changes} before={nameOf(from)} after={nameOf(to)} />
      )}
    </section>
  );
}

const nameOf = (side: Side): string => (side === 'draft' ? 'In the draft' : `In release ${side}`);
const shortened = (note: string): string => (note.length > 40 ? `${note.slice(0, 39)}…` : note);
