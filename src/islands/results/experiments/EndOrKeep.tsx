import { useState } from 'react';
import { endExperiment, removeExperiment, reopenExperiment } from '../../../client/edits/experiment-edits.ts';
import type { ExperimentState } from '../../../core/experiments/state.ts';
import { inOrder } from '../../../core/ordered.ts';
import type { Experiment } from '../../../core/policy/types.ts';
import { dateOfDay } from '../../../core/time/day.ts';
import { localTime } from '../../../core/time/time-zone-clock.ts';
import { PhraseSelect } from '../../../ui/PhraseSelect.tsx';
import { usePolicy } from '../../page/draft-context.tsx';
import { useNow } from '../../page/page-context.tsx';
import { useGuardedEdit } from '../../page/use-edit.tsx';

const nothing = '';

/** What becomes of an experiment: a version is kept for everybody, or none, with what was learnt; one edit. */
export function EndOrKeep({ id, experiment, state }: { id: string; experiment: Experiment; state: ExperimentState }) {
  const policy = usePolicy();
  const now = useNow();
  const { edit, refusal } = useGuardedEdit();
  const [kept, setKept] = useState<string>(nothing);
  const [learnt, setLearnt] = useState('');
  const { outcome, arms, from, until } = experiment;
  if (outcome) {
    const keptName = outcome.kept === null ? null : (arms[outcome.kept]?.name ?? outcome.kept);
    return (
      <div className="py-1" data-testid="experiment-outcome">
        <p>
          {keptName === null ? 'Nothing of it was kept.' : `“${keptName}” was kept for everybody.`}{' '}
          {outcome.learnt && <>What was learnt: {outcome.learnt}</>}
        </p>
        <p className="pt-1 text-small">
          <button type="button" className="btn btn-xs" onClick={() => edit(reopenExperiment(id))}>
            Leave it undecided again
          </button>
        </p>
        {refusal}
      </div>
    );
  }
  const today = dateOfDay(localTime(policy.store.timeZone, now).day);
  const yesterdayOrLast = until < today ? until : today;
  const begun = state === 'goesOn' || state === 'over' || state === 'endedItself';
  return (
    <div className="border-t border-hairline pt-2" data-testid="end-or-keep">
      <p>
        End it and keep{' '}
        <PhraseSelect
          label="What is kept"
          value={kept}
          options={[
            [nothing, 'nothing: the goal as it stands'],
            ...inOrder(arms).map(([arm, { name }]) => [arm, `“${name}” for everybody`] as const),
          ]}
          choose={setKept}
          testId="kept-arm"
        />
        . What was learnt:
      </p>
      <textarea
        className="textarea my-1 block w-full max-w-[46rem] textarea-sm"
        aria-label="What was learnt"
        rows={2}
        maxLength={2000}
        value={learnt}
        onChange={(event) => setLearnt(event.target.value)}
        data-testid="learnt"
      />
      <p className="flex flex-wrap gap-2">
        <button
          type="button"
          className="btn btn-sm btn-primary"
          onClick={() =>
            edit(
              endExperiment(id, {
                endedOn: yesterdayOrLast < from ? from : yesterdayOrLast,
                kept: kept === nothing ? null : kept,
                learnt: learnt.trim(),
              }),
            )
          }
          data-testid="end-experiment"
        >
          {kept === nothing ? 'End it' : 'Keep and end it'}
        </button>
        {!begun && (
          <button type="button" className="btn btn-sm" onClick={() => edit(removeExperiment(id))}>
            Take it out of the draft
          </button>
        )}
        <span className="self-center text-small text-soft">One edit; shoppers see it once you release.</span>
      </p>
      {refusal}
    </div>
  );
}
