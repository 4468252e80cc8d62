import { useNotation } from '../../page/page-context.tsx';
import { wordsFor } from '../words.ts';
import type { ImportRun } from '../../../contract/shapes/import.ts';
import { Table, type TableColumn } from '../../../ui/Table.tsx';

export const isUnderWay = ({ state }: ImportRun): boolean =>
  state === 'reading' || state === 'applying' || state === 'reverting';

/** An import from the first byte to its end: how far it has come, what it would do, and what it did. */
export function RunProgress({
  run,
  apply,
  cancel,
  close,
  another,
}: {
  run: ImportRun;
  apply: () => void;
  cancel: () => void;
  close: () => void;
  another: () => void;
}) {
  const { locale } = useNotation();
  const { count } = wordsFor(locale);
  const share = shareDone(run);
  const underWay = isUnderWay(run);
  return (
    <div data-testid="import-run" data-state={run.state}>
      <h2 className="flex flex-wrap items-baseline gap-x-3 text-lead">
        <span className="max-w-96 truncate">{run.fileName}</span>
        <span className="font-sans text-small text-soft" role="status">
          {phrases[run.state]}
          {run.state === 'reading' && ` … ${count(run.rowsRead)} rows so far`}
          {run.state === 'applying' && ` … ${count(run.applied)} of ${count(run.staged)}`}
        </span>
        <span className="ml-auto flex gap-2 font-sans">
          {(underWay || run.state === 'checked') && run.state !== 'reverting' && (
            <button type="button" className="btn btn-xs" onClick={cancel} data-testid="cancel-import">
              {run.state === 'checked' ? 'Back to the columns' : 'Cancel'}
            </button>
          )}
          {!underWay && run.state !== 'checked' && (
            <>
              <button type="button" className="btn btn-xs" onClick={another}>
                Another file
              </button>
              <button type="button" className="btn btn-xs" onClick={close} data-testid="close-import">
                Close
              </button>
            </>
          )}
        </span>
      </h2>
      {underWay && (
        <progress
          className="progress progress-accent mt-1"
          max={1}
          {...(share === null ? {} : { value: share })}
          aria-label={phrases[run.state]}
        />
      )}
      {run.problem && <p className="mt-1 text-warning">{run.problem}</p>}
      {(run.state === 'checked' || run.state === 'done') && <RunResult run={run} apply={apply} />}
    </div>
  );
}

/** What a file that has been read would do, or did. */
function RunResult({ run, apply }: { run: ImportRun; apply: () => void }) {
  const { locale } = useNotation();
  const { count } = wordsFor(locale);
  const done = run.state === 'done';
  const counts: readonly [string, number][] = [
    ['rows in the file', run.rowsRead],
    [done ? `new ${run.kind}` : `${run.kind} that would be new`, run.fresh],
    [done ? 'changed' : 'would be changed', run.changed],
    ['the same as before', run.same],
    ['rows not taken', run.rejected],
  ];
  const changing = run.fresh + run.changed;
  return (
    <>
      <dl className="mt-2 flex flex-wrap gap-x-8" data-testid="import-counts">
        {counts.map(([name, value]) => (
          <div key={name} className="flex items-baseline gap-1.5">
            <dd className="text-title font-semibold">{count(value)}</dd>
            <dt className="text-soft">{name}</dt>
          </div>
        ))}
      </dl>
      {run.rounded > 0 && (
        <p className="mt-1 text-soft">
          {count(run.rounded)} amounts had more decimals than their currency and were rounded, half away from zero.
        </p>
      )}
      {run.rejected > 0 && <RejectedRows run={run} count={count} />}
      {!done && run.staged === 0 && (
        <p className="mt-2 text-warning">
          No row of this file can be taken. Go back to the columns and give them other meanings.
        </p>
      )}
      {!done && run.staged > 0 && (
        <p className="mt-2 flex flex-wrap items-baseline gap-x-3">
          <button type="button" className="btn btn-primary btn-sm" onClick={apply} data-testid="apply-import">
            {changing === 0 ? 'Finish: nothing would change' : `Import ${count(changing)} ${run.kind}`}
          </button>
          <span className="text-soft">Nothing has been changed yet.</span>
        </p>
      )}
    </>
  );
}

function RejectedRows({ run, count }: { run: ImportRun; count: (value: number) => string }) {
  return (
    <div className="mt-1">
      <p>
        Rows not taken, the first of {count(run.rejected)}:{' '}
        <a className="link link-primary" href={`/api/imports/${run.id}/rejected.csv`} download>
          all of them as CSV
        </a>
      </p>
      <Table
        label="Rows not taken"
        columns={rejectionColumns}
        rows={run.rejections ?? []}
        keyOf={({ line, column, reason }) => `${line} ${column} ${reason}`}
        search="Find a reason"
      />
    </div>
  );
}

const rejectionColumns: TableColumn<NonNullable<ImportRun['rejections']>[number]>[] = [
  { id: 'line', name: 'Line', value: ({ line }) => line, right: true },
  { id: 'column', name: 'Column', value: ({ column }) => column },
  { id: 'reason', name: 'Why', value: ({ reason }) => reason },
];

const phrases: Record<ImportRun['state'], string> = {
  reading: 'being read and checked',
  checked: 'checked',
  applying: 'being taken over',
  reverting: 'being taken back',
  done: 'imported',
  cancelled: 'cancelled: everything is as it was before',
  failed: 'not imported',
};

/** Null where nothing is under way of which a share is known. */
function shareDone({ state, bytesRead, fileBytes, applied, staged }: ImportRun): number | null {
  if (state === 'reading') return bytesRead / Math.max(1, fileBytes);
  return state === 'applying' ? applied / Math.max(1, staged) : null;
}
