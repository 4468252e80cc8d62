import { useMemo, useState } from 'react';
import { stateOf, type ExperimentState } from '../../../core/experiments/state.ts';
import { inOrder } from '../../../core/ordered.ts';
import type { Experiment } from '../../../core/policy/types.ts';
import { writeDay } from '../../../core/time/written-date.ts';
import { Table, type TableColumn } from '../../../ui/Table.tsx';
import { usePolicy } from '../../page/draft-context.tsx';
import { useCompiledRelease, useEnded, useNotation, useNow } from '../../page/page-context.tsx';
import { part } from '../../page/parts.ts';
import { saveCsv } from '../../page/save-file.ts';
import type { SetQuery } from '../../page/use-query.ts';
import { ExperimentFound } from './ExperimentFound.tsx';
import { stateInWords } from './experiment-words.ts';
import type { KnownOfExperiments } from '../../../core/experiments/known.ts';
import { Planner } from './Planner.tsx';

interface Row {
  id: string;
  experiment: Experiment;
  state: ExperimentState;
}

/** Experiments that go on, are planned or are over, with what was learnt; one is looked at, or a new one begun. */
export function Experiments({
  known,
  query,
  setQuery,
}: {
  known: KnownOfExperiments;
  query: Record<string, string>;
  setQuery: SetQuery;
}) {
  const policy = usePolicy();
  const released = useCompiledRelease();
  const now = useNow();
  const { locale } = useNotation();
  const [planning, setPlanning] = useState(query.begin !== undefined);
  const ended = useEnded();
  const rows = useMemo(
    () =>
      inOrder(policy.experiments ?? {})
        .map(([id, experiment]): Row => ({ id, experiment, state: stateOf(id, experiment, released, now, ended) }))
        .reverse(),
    [policy.experiments, released, now, ended],
  );
  const columns = useMemo(
    (): TableColumn<Row>[] => [
      {
        id: 'name',
        name: 'Experiment',
        value: ({ experiment }) => experiment.name,
        cell: ({ id, experiment }) => (
          <button
            type="button"
            className="link text-left link-primary"
            onClick={() => setQuery({ experiment: id })}
            data-testid={`open-${id}`}
          >
            {experiment.name}
          </button>
        ),
        pinned: true,
      },
      { id: 'market', name: 'Market', value: ({ experiment: { market } }) => policy.markets[market]?.name ?? market },
      {
        id: 'arms',
        name: 'What shoppers see',
        value: ({ experiment }) =>
          inOrder(experiment.arms)
            .map(([, { name, share }]) => `${share / 100} % ${name}`)
            .join(', '),
      },
      {
        id: 'days',
        name: 'Days',
        value: ({ experiment: { from } }) => from,
        cell: ({ experiment: { from, until, outcome } }) => (
          <>
            <span className="whitespace-nowrap">{writeDay(from, locale)}</span> to{' '}
            <span className="whitespace-nowrap">{writeDay(outcome?.endedOn ?? until, locale)}</span>
          </>
        ),
      },
      { id: 'state', name: 'State', value: ({ state }) => stateInWords[state], className: 'whitespace-nowrap' },
      {
        id: 'learnt',
        name: 'Learnt',
        value: ({ experiment: { outcome } }) => outcome?.learnt ?? '',
        className: 'min-w-40 max-w-80',
      },
    ],
    [policy.markets, locale, setQuery],
  );
  const looked = rows.find(({ id }) => id === query.experiment) ?? null;
  return (
    <section ref={part('experiments')} aria-label="Experiments" className="mt-6 outline-none" data-testid="experiments">
      <div className="flex flex-wrap items-baseline gap-x-3">
        <h2 className="text-title">Experiments</h2>
        <span className="text-small text-soft">
          Shoppers of a market are split between versions of a goal, until one can tell.
        </span>
        <button
          type="button"
          className="btn btn-xs"
          aria-expanded={planning}
          onClick={() => setPlanning(!planning)}
          data-testid="begin-experiment"
        >
          {planning ? 'Leave the plan' : 'Begin one'}
        </button>
      </div>
      {planning && (
        <Planner
          begin={query.begin ?? ''}
          target={/^[1-9]\d{0,12}$/.test(query.target ?? '') ? Number(query.target) : null}
          market={query.market ?? ''}
          begun={(id) => {
            setPlanning(false);
            setQuery({ experiment: id, begin: '', target: '' });
          }}
        />
      )}
      {rows.length === 0 && !planning && (
        <p className="max-w-[46rem] py-1">
          None yet. Half of the shoppers of a market see a goal as it is and half see another, and after some weeks one
          knows which pays, instead of guessing from one week.
        </p>
      )}
      {rows.length > 0 && (
        <Table
          label="Experiments"
          columns={columns}
          rows={rows}
          keyOf={({ id }) => id}
          save={{ what: 'the experiments', csv: (heading, cells) => saveCsv('experiments', heading, cells) }}
          testId="experiment-list"
          rowTestId={({ id }) => `experiment-${id}`}
        />
      )}
      {looked && (
        <ExperimentFound
          key={looked.id}
          id={looked.id}
          experiment={looked.experiment}
          state={looked.state}
          known={known}
          close={() => setQuery({ experiment: '' })}
        />
      )}
    </section>
  );
}
