import { call } from '../../client/http.ts';
import type { AnswerTo } from '../../contract/calls.ts';
import { useState } from 'react';

type Imported = AnswerTo<'POST /api/rates/import'>;

/** A file of reference rates: what it would bring first, then taken over. */
export function ImportRates({ imported }: { imported: () => void }) {
  const [file, setFile] = useState<File | null>(null);
  const [would, setWould] = useState<Imported | null>(null);
  const [said, setSaid] = useState<{ wrong: boolean; text: string } | null>(null);
  const send = async (chosen: File, dryRun: boolean): Promise<Imported | null> => {
    const answer = await call('POST /api/rates/import', {
      query: { dryRun: dryRun ? 'yes' : 'no' },
      file: { content: chosen, type: 'text/csv' },
    });
    if (answer.ok) return answer.body;
    const { status, title, detail } = answer.problem;
    setSaid({
      wrong: true,
      text: `${title}. ${status === 0 ? 'Nothing was changed; try again in a moment.' : detail}`,
    });
    return null;
  };
  const choose = async (chosen: File | null) => {
    setFile(chosen);
    setWould(null);
    setSaid(null);
    if (chosen) setWould(await send(chosen, true));
  };
  const take = async () => {
    const done = file && (await send(file, false));
    if (!done) return;
    setWould(null);
    setSaid({
      wrong: false,
      text: `${done.added} new rates and ${done.changed} changed ones are there. Nothing is adopted by that.`,
    });
    imported();
  };
  return (
    <div className="my-1 max-w-[46rem] border-l-2 border-primary pl-3 text-small">
      <p>
        A CSV file in the layout in which the European Central Bank publishes its history: a column Date with days such
        as 2026-11-02, then a column for each currency, N/A where there is none; rates against one euro.
      </p>
      <input
        type="file"
        accept=".csv,text/csv"
        aria-label="File of rates"
        className="my-1 max-w-full"
        onChange={(event) => void choose(event.target.files?.[0] ?? null)}
        data-testid="rates-file"
      />
      {would && (
        <div data-testid="rates-dry-run">
          <p>
            {would.currencies.length} {would.currencies.length === 1 ? 'currency' : 'currencies'} from {would.firstDay}{' '}
            to {would.lastDay}: {would.added} new rates, {would.changed} that differ from what is known, {would.same}{' '}
            the same.
            {would.rejected.length > 0 &&
              ` ${would.rejected.length} cannot be read, the first in line ${would.rejected[0]!.line}: ${would.rejected[0]!.column} ${would.rejected[0]!.reason}.`}
          </p>
          <button
            type="button"
            className="btn btn-xs btn-primary"
            disabled={would.added + would.changed === 0}
            onClick={() => void take()}
          >
            Take them over
          </button>
        </div>
      )}
      {said && (
        <p role="status" className={said.wrong ? 'text-error' : ''}>
          {said.text}
        </p>
      )}
    </div>
  );
}
