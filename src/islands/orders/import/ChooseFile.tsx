import { useState } from 'react';
import { call } from '../../../client/http.ts';
import type { ImportKind } from '../../../core/imports/fields.ts';
import {
  guessMapping,
  missingIn,
  sampleOf,
  type FileSample,
  type ImportMapping,
} from '../../../core/imports/mapping.ts';
import { ColumnTable } from './ColumnTable.tsx';
import { FileForm } from './FileForm.tsx';
import { useDraft } from '../../page/draft-context.tsx';
import { ReadFileRules } from '../reading/ReadFileRules.tsx';
import { ProposeMarkets } from './ProposeMarkets.tsx';
import { Alert } from '../../../ui/Alert.tsx';

/** As much of a file as is looked at to guess how it is to be read. */
const looked = 512 * 1024;

interface Chosen {
  file: File;
  start: Uint8Array;
  sample: FileSample;
  mapping: ImportMapping;
  remembered: boolean;
}

/** A file is chosen, looked at, and what was guessed of it corrected. */
export default function ChooseFile({
  kind,
  send,
  close,
}: {
  kind: ImportKind;
  send: (file: File, heading: string[], mapping: ImportMapping) => void;
  close: () => void;
}) {
  const [chosen, setChosen] = useState<Chosen | null>(null);
  const [over, setOver] = useState(false);
  const take = async (file: File | undefined) => {
    if (!file) return;
    const start = new Uint8Array(await file.slice(0, looked).arrayBuffer());
    const { mapping, sample } = guessMapping(kind, start, file.size <= looked);
    if (sample.heading.length === 0) return setChosen({ file, start, sample, mapping, remembered: false });
    const before = await call('POST /api/imports/remembered', {
      body: { kind, heading: sample.heading.slice(0, 500) },
    });
    const remembered = before.ok && before.body.mapping !== null;
    setChosen({
      file,
      start,
      sample,
      mapping: remembered
        ? { ...before.body.mapping!, encoding: mapping.encoding, delimiter: mapping.delimiter }
        : mapping,
      remembered,
    });
  };
  const change = (next: ImportMapping) => {
    if (!chosen) return;
    const read =
      next.encoding === chosen.mapping.encoding && next.delimiter === chosen.mapping.delimiter
        ? chosen.sample
        : sampleOf(chosen.start, chosen.file.size <= looked, next.encoding, next.delimiter);
    setChosen({
      ...chosen,
      sample: read,
      mapping: {
        ...next,
        columns: Object.fromEntries(Object.entries(next.columns).filter(([, at]) => at < read.heading.length)),
      },
    });
  };
  const noMarket = useDraft(({ saved }) => Object.keys(saved.policy.markets).length === 0);
  const missing = chosen ? missingIn(chosen.mapping) : [];
  return (
    <div>
      <h2 className="flex flex-wrap items-baseline justify-between text-lead">
        Import {kind}
        <button type="button" className="btn btn-xs font-sans" onClick={close}>
          close
        </button>
      </h2>
      <label
        className={`mt-1 flex cursor-pointer flex-wrap items-baseline gap-x-2 border border-dashed px-3 py-2 ${over ? 'border-primary' : 'border-faint'}`}
        onDragOver={(event) => {
          event.preventDefault();
          setOver(true);
        }}
        onDragLeave={() => setOver(false)}
        onDrop={(event) => {
          event.preventDefault();
          setOver(false);
          void take(event.dataTransfer.files[0]);
        }}
      >
        <input
          type="file"
          accept=".csv,.txt,.tsv,text/csv"
          className="file-input file-input-xs max-w-full"
          onChange={(event) => void take(event.target.files?.[0])}
          aria-label={`File of ${kind}`}
          data-testid="import-file"
        />
        <span className="text-soft">
          or drop a CSV file here: any columns; commas, semicolons or tabs between them.
        </span>
      </label>
      {kind === 'orders' && (
        <p className="mt-1 text-small text-soft">
          Kept are the figures of each order. A customer’s key is kept only as a hash that tells the same customer
          again, never who it is; names, addresses and e-mails are not kept, and columns without a meaning below are not
          read.
        </p>
      )}
      {chosen && chosen.sample.heading.length === 0 && (
        <Alert className="mt-2">The file is empty, so there is nothing to import.</Alert>
      )}
      {chosen && chosen.sample.heading.length > 0 && (
        <div className="mt-2">
          {chosen.remembered && <p className="text-small text-primary">Read as the last file with this heading was.</p>}
          <FileForm mapping={chosen.mapping} sample={chosen.sample} change={change} />
          <Columns
            folded={kind === 'orders' && noMarket && missing.length === 0}
            mapping={chosen.mapping}
            sample={chosen.sample}
            change={change}
          />
          {kind === 'orders' && noMarket && <FirstMarkets file={chosen.file} mapping={chosen.mapping} />}
          <p className="mt-2 flex flex-wrap items-baseline gap-x-3">
            <button
              type="button"
              className="btn btn-primary btn-sm"
              disabled={missing.length > 0 || (kind === 'orders' && noMarket)}
              onClick={() => send(chosen.file, chosen.sample.heading, chosen.mapping)}
              data-testid="check-file"
            >
              Check the file
            </button>
            <span className={missing.length > 0 ? 'text-warning' : 'text-soft'}>
              {missing.length > 0
                ? `Still needed: ${missing.join('; ')}.`
                : 'Nothing is changed yet: you see first what importing it would do.'}
            </span>
          </p>
        </div>
      )}
    </div>
  );
}

/** A store without markets: what a file says of them, and of how they charge where it says what delivery cost. */
function FirstMarkets({ file, mapping }: { file: File; mapping: ImportMapping }) {
  const { country, delivery } = mapping.columns;
  return country !== undefined && delivery !== undefined && missingIn(mapping).length === 0 ? (
    <ReadFileRules file={file} mapping={mapping} />
  ) : (
    <ProposeMarkets file={file} mapping={mapping} />
  );
}

/** What the columns stand for; folded where all that is needed is known, and something else is asked first. */
function Columns({ folded, ...columns }: { folded: boolean } & Parameters<typeof ColumnTable>[0]) {
  if (!folded) return <ColumnTable {...columns} />;
  const read = Object.keys(columns.mapping.columns).length;
  return (
    <details data-testid="folded-columns">
      <summary className="text-soft">
        {read} of {columns.sample.heading.length} columns are read: see what they stand for
      </summary>
      <ColumnTable {...columns} />
    </details>
  );
}
