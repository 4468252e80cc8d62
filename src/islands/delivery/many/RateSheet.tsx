import { useMemo, useState } from 'react';
import { setCharge } from '../../../client/edits/option-edits.ts';
import { inTurn } from '../../../client/edits/set-at.ts';
import { ChargeWords } from '../../../core/charges/charge-in-words.ts';
import { rateSheet, rateSheetColumns, readRateSheet, type SheetReading } from '../../../core/options/rate-sheet.ts';
import type { Market } from '../../../core/policy/types.ts';
import { usePolicy } from '../../page/draft-context.tsx';
import { useNotation } from '../../page/page-context.tsx';
import { useGuardedEdit } from '../../page/use-edit.tsx';
import { saveCsv } from '../../page/save-file.ts';
import { ReadFile } from '../../../ui/ReadFile.tsx';
import { SaveAs } from '../../../ui/SaveAs.tsx';
import { part } from '../../page/parts.ts';

/** A zone's prices as a table for a spreadsheet, out and in again: what it would change is shown before it does. */
export function RateSheet({ zoneId, marketId, market }: { zoneId: string; marketId: string; market: Market }) {
  const policy = usePolicy();
  const { money } = useNotation();
  const { edit, refusal } = useGuardedEdit();
  const [reading, setReading] = useState<SheetReading | null>(null);
  const [said, setSaid] = useState('');
  const words = useMemo(
    () => new ChargeWords(policy, marketId, (minor) => money(minor, market.currency)),
    [policy, marketId, money, market.currency],
  );
  const sheet = useMemo(() => rateSheet(policy, zoneId), [policy, zoneId]);
  const read = (text: string | null) => {
    setSaid('');
    setReading(text === null ? null : readRateSheet(text, policy, zoneId));
  };
  const take = () => {
    if (!reading || !edit(inTurn(...[...reading.charges].map(([id, charge]) => setCharge(id, charge))))) return;
    setSaid(
      `${reading.charges.size} ${reading.charges.size === 1 ? 'charge is' : 'charges are'} as in the sheet. Undo takes all of it back.`,
    );
    setReading(null);
  };
  return (
    <section ref={part('rate sheet')} className="mt-3 border-t border-hairline pt-2 text-small" aria-label="Rate sheet">
      <p className="flex flex-wrap items-baseline gap-x-3">
        <strong className="font-head text-body">Rate sheet</strong>
        <SaveAs
          what="the rate sheet"
          forms={[{ name: 'CSV', save: () => saveCsv(`rates-${zoneId}`, rateSheetColumns, sheet.rows) }]}
        />
        <ReadFile
          label="read one"
          accept=".csv,text/csv"
          what="A rate sheet"
          mostMegabytes={2}
          read={read}
          testId="rate-sheet-file"
        />
        {sheet.left.length > 0 && (
          <span className="text-soft">Left out, being neither flat nor steps: {sheet.left.join(', ')}.</span>
        )}
      </p>
      {refusal}
      {reading && (
        <div className="border-l-2 border-primary pl-3" data-testid="rate-sheet-diff">
          <ul>
            {[...reading.charges].map(([id, charge]) => (
              <li key={id}>
                <strong>{policy.options[id]?.name}</strong>:{' '}
                {policy.options[id] && words.charge(policy.options[id].charge)} becomes {words.charge(charge)}
              </li>
            ))}
            {reading.rejected.slice(0, 20).map(({ line, column, reason }, index) => (
              <li key={index} className="text-error">
                line {line}, {column}: {reason}
              </li>
            ))}
          </ul>
          <p>
            {reading.charges.size === 0 ? 'It would change nothing.' : ''}{' '}
            {reading.same.length > 0 ? `${reading.same.length} unchanged.` : ''}{' '}
            {reading.rejected.length > 0 ? 'Options with a row that cannot be read stay as they are.' : ''}
          </p>
          <button
            type="button"
            className="btn btn-xs btn-primary"
            disabled={reading.charges.size === 0}
            onClick={take}
            data-testid="take-rate-sheet"
          >
            Take it over
          </button>
        </div>
      )}
      {said && <p role="status">{said}</p>}
    </section>
  );
}
