import { useEffect, useState } from 'react';
import { call } from '../../../client/http.ts';
import { useNotation } from '../../page/page-context.tsx';
import { wordsFor } from '../words.ts';
import type { ImportRun } from '../../../contract/shapes/import.ts';

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
  return (
    <details className="mt-3">
      <summary className="text-soft">Imported before</summary>
      <table className="table table-xs mt-1">
        <tbody>
          {runs.map((run) => (
            <tr key={run.id} className="border-t border-hairline">
              <td className="py-0.5 pr-4">{when.format(new Date(run.madeAt))}</td>
              <td className="max-w-64 truncate pr-4">{run.fileName}</td>
              <td className="pr-4">{outcomeOf(run, count)}</td>
              <td>
                {run.rejected > 0 && (
                  <a className="link link-primary" href={`/api/imports/${run.id}/rejected.csv`} download>
                    {count(run.rejected)} rows not taken
                  </a>
                )}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </details>
  );
}

function outcomeOf(run: ImportRun, count: (number: number) => string): string {
  if (run.state === 'done') return `${count(run.fresh)} new, ${count(run.changed)} changed ${run.kind}`;
  return run.state === 'failed' ? run.problem || 'not imported' : run.state;
}
