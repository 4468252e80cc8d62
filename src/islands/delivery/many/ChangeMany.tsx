import { useMemo, useState } from 'react';
import { setCharge } from '../../../client/edits/option-edits.ts';
import { inTurn } from '../../../client/edits/set-at.ts';
import { changePrices, isPriceStep, type PriceRounding, type PriceStep } from '../../../core/options/change-prices.ts';
import { rateSheet, rateSheetColumns, readRateSheet } from '../../../core/options/rate-sheet.ts';
import type { Charge } from '../../../core/policy/types.ts';
import { PhraseSelect } from '../../../ui/PhraseSelect.tsx';
import { ReadFile } from '../../../ui/ReadFile.tsx';
import { SaveAs } from '../../../ui/SaveAs.tsx';
import { usePolicy } from '../../page/draft-context.tsx';
import { useNotation } from '../../page/page-context.tsx';
import { saveCsv } from '../../page/save-file.ts';
import { useGuardedEdit } from '../../page/use-edit.tsx';
import { wordsByMarket } from './words-by-market.ts';

/** What a change would do: the charges as they would be, and what stays as it is. */
interface Planned {
  charges: ReadonlyMap<string, Charge>;
  remarks: readonly string[];
}

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
  const { edit, refusal } = useGuardedEdit();
  const [by, setBy] = useState('');
  const [kind, setKind] = useState<PriceStep['kind']>('amount');
  const [rounding, setRounding] = useState('none');
  const [planned, setPlanned] = useState<Planned | null>(null);
  const [said, setSaid] = useState('');
  const step: PriceStep = { kind, by };
  const sheet = useMemo(() => rateSheet(policy, null), [policy]);
  const look = () => {
    setSaid('');
    const { charges, left } = changePrices(policy, ids, step, roundings.find(([id]) => id === rounding)![2]);
    setPlanned({ charges, remarks: reasonsIn(left) });
  };
  const read = (text: string | null) => {
    setSaid('');
    if (text === null) return setPlanned(null);
    const { charges, same, rejected } = readRateSheet(text, policy, null);
    setPlanned({
      charges,
      remarks: [
        ...rejected.map(({ line, column, reason }) => `line ${line}, ${column}: ${reason}`),
        ...(same.length > 0 ? [`${same.length} unchanged`] : []),
      ],
    });
  };
  const take = () => {
    if (!planned || !edit(inTurn(...[...planned.charges].map(([id, charge]) => setCharge(id, charge))))) return;
    setSaid(`${countOf(planned.charges.size)} changed. Undo takes all of it back.`);
    setPlanned(null);
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
            onClick={look}
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
          read={read}
          testId="every-sheet-file"
        />
      </p>
      {refusal}
      {planned && <Plan planned={planned} take={take} leave={() => setPlanned(null)} />}
      {said && <p role="status">{said}</p>}
    </div>
  );
}

const countOf = (options: number): string => (options === 1 ? '1 option' : `${options} options`);
/** Of changes and remarks, how many are read. */
const listed = 40;

/** Why options stay as they are, each reason once with its options. */
function reasonsIn(left: ReadonlyMap<string, string>): string[] {
  const by = new Map<string, number>();
  for (const reason of left.values()) by.set(reason, (by.get(reason) ?? 0) + 1);
  return [...by].map(([reason, count]) => `${countOf(count)} as before: ${reason}`);
}

function Plan({ planned, take, leave }: { planned: Planned; take: () => void; leave: () => void }) {
  const policy = usePolicy();
  const { money } = useNotation();
  const words = useMemo(() => wordsByMarket(policy, money), [policy, money]);
  const { charges, remarks } = planned;
  return (
    <div className="border-l-2 border-primary pl-3" data-testid="every-option-plan">
      <ul>
        {[...charges].slice(0, listed).map(([id, charge]) => {
          const option = policy.options[id];
          const zone = option && policy.zones[option.zone];
          if (!zone) return null;
          return (
            <li key={id}>
              <strong>
                {option.name}, {zone.name}
              </strong>
              : {words(zone.market).charge(option.charge)} becomes {words(zone.market).charge(charge)}
            </li>
          );
        })}
        {charges.size > listed && <li>and {charges.size - listed} more</li>}
        {remarks.slice(0, listed).map((remark) => (
          <li key={remark} className="text-soft">
            {remark}
          </li>
        ))}
      </ul>
      {charges.size === 0 && <p>It would change nothing.</p>}
      <p className="flex gap-2 py-1">
        <button
          type="button"
          className="btn btn-xs btn-primary"
          disabled={charges.size === 0}
          onClick={take}
          data-testid="take-plan"
        >
          Change {countOf(charges.size)}
        </button>
        <button type="button" className="btn btn-xs" onClick={leave}>
          Leave it
        </button>
      </p>
    </div>
  );
}
