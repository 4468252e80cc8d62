import { useMemo, useState } from 'react';
import { changePrices, isPriceStep, type PriceRounding, type PriceStep } from '../../../core/options/change-prices.ts';
import { rateSheet, rateSheetColumns } from '../../../core/options/rate-sheet.ts';
import { PhraseSelect } from '../../../ui/PhraseSelect.tsx';
import { ReadFile } from '../../../ui/ReadFile.tsx';
import { SaveAs } from '../../../ui/SaveAs.tsx';
import { usePolicy } from '../../page/draft-context.tsx';
import { saveCsv } from '../../page/save-file.ts';
import { countOf, planOfSheet, usePricePlan } from './PricePlan.tsx';

const roundings: readonly (readonly [id: string, name: string, rounding: PriceRounding])[] = [
  ['none', 'as it comes', { kind: 'none' }],
  ['95', 'to .95', { kind: 'ending', of: '0.95' }],
  ['99', 'to .99', { kind: 'ending', of: '0.99' }],
  ['50', 'to .50', { kind: 'ending', of: '0.50' }],
  ['m5', 'to 0.05', { kind: 'multiple', of: '0.05' }],
  ['m10', 'to 0.10', { kind: 'multiple', of: '0.10' }],
  ['m1', 'to whole units', { kind: 'multiple', of: '1' }],
];

/** Prices of many options moved by a step or read from a sheet: seen before it is done, and one edit that undo takes back. */
export function ChangeMany({ ids }: { ids: ReadonlySet<string> }) {
  const policy = usePolicy();
  const [by, setBy] = useState('');
  const [kind, setKind] = useState<PriceStep['kind']>('amount');
  const [rounding, setRounding] = useState('none');
  const { look, shown } = usePricePlan('every-option-plan');
  const step: PriceStep = { kind, by };
  const sheet = useMemo(() => rateSheet(policy, null), [policy]);
  const lookAtStep = () => {
    const { charges, left } = changePrices(policy, ids, step, roundings.find(([id]) => id === rounding)![2]);
    look({ charges, rejected: [], remarks: reasonsIn(left) });
  };
  return (
    <div className="text-small">
      <p className="flex flex-wrap items-baseline gap-x-3 gap-y-1">
        <span>
          Move the prices of these {countOf(ids.size)} by{' '}
          <input
            className="field"
            aria-label="Move prices by"
            aria-invalid={by !== '' && !isPriceStep(step)}
            placeholder="+ 0.50"
            value={by}
            onChange={(event) => setBy(event.target.value)}
            data-testid="move-by"
          />{' '}
          <PhraseSelect
            label="What prices are moved by"
            value={kind}
            options={[
              ['amount', 'of their currency'],
              ['percent', '%'],
            ]}
            choose={(next) => setKind(next as PriceStep['kind'])}
            testId="move-kind"
          />
          , rounded{' '}
          <PhraseSelect
            label="New prices are rounded"
            value={rounding}
            options={roundings.map(([id, name]) => [id, name] as const)}
            choose={setRounding}
            testId="move-rounding"
          />{' '}
          <button
            type="button"
            className="btn btn-xs"
            disabled={!isPriceStep(step) || ids.size === 0}
            onClick={lookAtStep}
            data-testid="look-at-move"
          >
            See what it does
          </button>
        </span>
        <SaveAs
          what="all rate sheets"
          forms={[{ name: 'rate sheet', save: () => saveCsv('rates', rateSheetColumns, sheet.rows) }]}
        />
        <ReadFile
          label="read one"
          accept=".csv,text/csv"
          what="A rate sheet"
          mostMegabytes={2}
          read={(text) => look(text === null ? null : planOfSheet(text, policy, null))}
          testId="every-sheet-file"
        />
      </p>
      {shown}
    </div>
  );
}

/** Why options stay as they are, each reason once with its options. */
function reasonsIn(left: ReadonlyMap<string, string>): string[] {
  const by = new Map<string, number>();
  for (const reason of left.values()) by.set(reason, (by.get(reason) ?? 0) + 1);
  return [...by].map(([reason, count]) => `${countOf(count)} as before: ${reason}`);
}
