import { useMemo } from 'react';
import { rateSheet, rateSheetColumns } from '../../../core/options/rate-sheet.ts';
import { ReadFile } from '../../../ui/ReadFile.tsx';
import { SaveAs } from '../../../ui/SaveAs.tsx';
import { usePolicy } from '../../page/draft-context.tsx';
import { part } from '../../page/parts.ts';
import { saveCsv } from '../../page/save-file.ts';
import { planOfSheet, usePricePlan } from './PricePlan.tsx';

/** A zone's prices as a table for a spreadsheet, out and in again: what it would change is shown before it does. */
export function RateSheet({ zoneId }: { zoneId: string }) {
  const policy = usePolicy();
  const { look, shown } = usePricePlan('rate-sheet-diff');
  const sheet = useMemo(() => rateSheet(policy, zoneId), [policy, zoneId]);
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
          read={(text) => look(text === null ? null : planOfSheet(text, policy, zoneId))}
          testId="rate-sheet-file"
        />
        {sheet.left.length > 0 && (
          <span className="text-soft">Left out, being neither flat nor steps: {sheet.left.join(', ')}.</span>
        )}
      </p>
      {shown}
    </section>
  );
}
