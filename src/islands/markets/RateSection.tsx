import type { DayRate } from '../../core/money/rate-history.ts';
import { WhenSeen } from '../../ui/chart/WhenSeen.tsx';
import { SaveAs } from '../../ui/SaveAs.tsx';
import { saveCsv } from '../page/save-file.ts';
import { lazyPart } from '../../ui/lazy-part.tsx';

const RateChart = lazyPart(() => import('./RateChart.tsx'));

/** A currency's rate day by day, with the adopted one across it. */
export function RateSection({
  currency,
  rates,
  adopted,
}: {
  currency: string;
  rates: readonly DayRate[];
  adopted: string | null;
}) {
  return (
    <div className="max-w-[60rem]">
      <WhenSeen height={132} label={`the rate of ${currency}`}>
        {() => <RateChart currency={currency} rates={rates} adopted={adopted} />}
      </WhenSeen>
      <p className="flex justify-end text-small">
        <SaveAs
          what={`the rates of ${currency}`}
          forms={[
            {
              name: 'CSV',
              save: () =>
                saveCsv(
                  `rates-${currency}`,
                  ['Date', currency],
                  rates.map(({ day, rate }) => [day, rate]),
                ),
            },
          ]}
        />
      </p>
    </div>
  );
}
