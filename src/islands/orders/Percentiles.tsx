import { memo, useState } from 'react';
import { toDecimal } from '../../core/money/decimal.ts';
import { valueAtShare } from '../../core/orders/distribution.ts';
import type { OrderStudy } from '../../core/orders/study.ts';
import { SaveAs } from '../../ui/SaveAs.tsx';
import { TypedField } from '../../ui/TypedField.tsx';
import { parsePercentTo } from '../fields/typed-text.ts';
import { useNotation } from '../page/page-context.tsx';
import { part } from '../page/parts.ts';
import { saveCsv } from '../page/save-file.ts';

const usual = [5, 10, 25, 50, 75, 90, 95, 99];

/** The amounts that so many of the orders do not exceed; and that of any share that is typed. */
export const Percentiles = memo(function Percentiles({
  marketId,
  currency,
  study: { tally },
}: {
  marketId: string;
  currency: string;
  study: OrderStudy;
}) {
  const { money } = useNotation();
  const [typed, setTyped] = useState('80');
  const at = (percent: number) => valueAtShare(tally, percent / 100);
  const save = () =>
    saveCsv(
      `percentiles-${marketId}`,
      ['percent of orders', `at most, ${currency}`],
      usual.map((percent) => [percent, toDecimal(at(percent), currency)]),
    );
  return (
    <section ref={part('percentiles')} className="mt-3 outline-none" aria-label="Percentiles" data-testid="percentiles">
      <h2 className="flex flex-wrap items-baseline gap-x-3 text-lead">
        Percentiles <SaveAs what="the percentiles" forms={[{ name: 'CSV', save }]} />
      </h2>
      <dl className="mt-1 grid grid-cols-4 gap-x-4">
        {usual.map((percent) => (
          <div key={percent} className="flex items-baseline justify-between gap-2 border-b border-hairline py-1">
            <dt className="text-soft">{percent} %</dt>
            <dd>{money(at(percent), currency)}</dd>
          </div>
        ))}
      </dl>
      <p className="mt-1.5">
        <TypedField
          label="Share of orders, percent"
          shown={typed}
          parse={parsePercentTo(100)}
          show={(value) => value !== undefined && setTyped(value)}
          commit={setTyped}
          testId="percentile"
        />{' '}
        % of orders are worth at most{' '}
        <strong data-testid="percentile-value">{money(at(Number(typed)), currency)}</strong>.
      </p>
    </section>
  );
});
