import { useEffect, useState } from 'react';
import { call } from '../../../client/http.ts';
import { useNotation } from '../../page/page-context.tsx';
import { Table, type TableColumn } from '../../../ui/Table.tsx';
import { saveCsv } from '../../page/save-file.ts';
import { wordsFor } from '../words.ts';
import type { ImportRun } from '../../../contract/shapes/import.ts';

/** More rows than these can be searched. */
const fewRows = 8;

/** What was imported before. */
export function ImportList() {
  const { locale } = useNotation();
  const { count } = wordsFor(locale);
  const [runs, setRuns] = useState<ImportRun[]>([]);
  useEffect(() => {
    void call('GET /api/imports').then((answer) => answer.ok && setRuns(answer.body.imports));
  }, []);
  if (runs.length === 0) return null;
  const when = new Intl.DateTimeFormat(locale, { dateStyle: 'medium', timeStyle: 'short' });
  const columns: TableColumn<ImportRun>[] = [
    { id: 'when', name: 'When', value: ({ madeAt }) => madeAt, cell: ({ madeAt }) => when.format(new Date(madeAt)) },
    { id: 'file', name: 'File', value: ({ fileName }) => fileName, className: 'max-w-64 truncate' },
    { id: 'outcome', name: 'What came of it', value: (run) => outcomeOf(run, count) },
    {
      id: 'rejected',
      name: 'Rows not taken',
      value: ({ rejected }) => rejected,
      right: true,
      cell: (run) =>
        run.rejected > 0 && (
          <a className="link link-primary" href={`/api/imports/${run.id}/rejected.csv`} download>
            {count(run.rejected)} rows not taken
          </a>
        ),
    },
  ];
  return (
    <details className="mt-3">
      <summary className="text-soft">Imported before</summary>
      <Table
        label="Imports"
        columns={columns}
        rows={runs}
        keyOf={({ id }) => String(id)}
        {...(runs.length > fewRows ? { search: 'Find an import' } : {})}
        save={{ what: 'the imports', csv: (heading, rows) => saveCsv('imports', heading, rows) }}
      />
    </details>
  );
}

function outcomeOf(run: ImportRun, count: (number: number) => string): string {
  if (run.state === 'done') return `${count(run.fresh)} new, ${count(run.changed)} changed ${run.kind}`;
  return run.state === 'failed' ? run.problem || 'not imported' : run.state;
}
