import { useMemo, useState } from 'react';
import { resetDraftTo } from '../../client/edits/reset-draft.ts';
import type { ReleaseSummary } from '../../contract/shapes/release.ts';
import { policyChanges } from '../../core/changes/changes.ts';
import { PhraseSelect } from '../../ui/PhraseSelect.tsx';
import { useNotation } from '../page/page-context.tsx';
import { part } from '../page/parts.ts';
import { useGuardedEdit } from '../page/use-edit.tsx';
import { ChangeTable } from './ChangeList.tsx';
import { Alert } from '../../ui/Alert.tsx';
import { useReleasePolicy, type Side } from './use-release-policy.ts';
import { WhatChanges } from './WhatChanges.tsx';

/** Two releases side by side, or one and the draft; and the way to make the draft say what a release says. */
export function CompareReleases({ releases }: { releases: readonly ReleaseSummary[] }) {
  const { locale } = useNotation();
  const { edit, refusal } = useGuardedEdit();
  const [newest, second] = releases;
  const [from, setFrom] = useState<Side>(second?.number ?? newest!.number);
  const [to, setTo] = useState<Side>(second ? newest!.number : 'draft');
  const [said, setSaid] = useState('');
  const [shown, setShown] = useState(false);
  const [before, after] = [useReleasePolicy(from), useReleasePolicy(to)];
  const compared = useMemo(() => {
    if (!before || !after || before === 'unreachable' || after === 'unreachable') return null;
    return { was: before, is: after, changes: policyChanges(before, after, locale) };
  }, [before, after, locale]);
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
      {compared?.changes.length === 0 && <p className="text-soft">For shoppers they say the same.</p>}
      {compared && compared.changes.length > 0 && !shown && (
        <p>
          They differ in {compared.changes.length === 1 ? 'one thing' : `${compared.changes.length} things`}.{' '}
          <button type="button" className="btn btn-xs" onClick={() => setShown(true)} data-testid="compare-show">
            Show what differs
          </button>
        </p>
      )}
      {compared && compared.changes.length > 0 && shown && (
        <WhatChanges was={compared.was} is={compared.is} prefix="compared">
          <ChangeTable label="Differences" changes={compared.changes} before={nameOf(from)} after={nameOf(to)} />
        </WhatChanges>
      )}
    </section>
  );
}

const nameOf = (side: Side): string => (side === 'draft' ? 'In the draft' : `In release ${side}`);
const shortened = (note: string): string => (note.length > 40 ? `${note.slice(0, 39)}…` : note);
