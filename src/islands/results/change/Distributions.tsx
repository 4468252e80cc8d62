import { useRef } from 'react';
import { toDecimal } from '../../../core/money/decimal.ts';
import type { ChangeStudy } from '../../../core/results/study-change.ts';
import { LineKey } from '../../../ui/chart/LineKey.tsx';
import { WhenSeen } from '../../../ui/chart/WhenSeen.tsx';
import { lazyPart } from '../../../ui/lazy-part.tsx';
import { SaveAs } from '../../../ui/SaveAs.tsx';
import { part } from '../../page/parts.ts';
import { picturesOf, saveCsv } from '../../page/save-file.ts';

const DistributionChart = lazyPart(() => import('./DistributionChart.tsx'));
const height = 190;

/** Order values of the two windows over one another. */
export function Distributions({
  market,
  currency,
  study: { distributions, orders },
  goals,
}: {
  market: string;
  currency: string;
  study: ChangeStudy;
  goals: { before: number | null; after: number | null };
}) {
  const picture = useRef<HTMLDivElement>(null);
  if (!distributions) return null;
  const { band, before, after, beyond } = distributions;
  const name = `results-${market}-order-values`;
  const save = () =>
    saveCsv(
      name,
      [`from, ${currency}`, `to below, ${currency}`, 'share before', 'share after'],
      [
        ...before.map((share, place) => [
          toDecimal(place * band, currency),
          toDecimal((place + 1) * band, currency),
          share,
          after[place]!,
        ]),
        [toDecimal(before.length * band, currency), '', ...beyond],
      ],
    );
  return (
    <section ref={part('order values')} aria-label="Order values before and after" className="pt-3">
      <p className="flex flex-wrap items-baseline justify-between gap-x-4">
        <span>
          Share of orders by value, {currency}:{' '}
          <LineKey dash="3 3" className="stroke-soft" text={`before (${orders[0]} orders)`} />{' '}
          <LineKey className="stroke-primary" text={`after (${orders[1]} orders)`} />
        </span>
        <SaveAs what="the order values" forms={[{ name: 'CSV', save }, ...picturesOf(picture, name)]} />
      </p>
      <WhenSeen height={height} label="order values before and after">
        {() => <DistributionChart distributions={distributions} goals={goals} currency={currency} picture={picture} />}
      </WhenSeen>
    </section>
  );
}
