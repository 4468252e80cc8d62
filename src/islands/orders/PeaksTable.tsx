import { memo } from 'react';
import type { OrderStudy } from '../../core/orders/study.ts';
import { useNotation } from '../page/page-context.tsx';
import { SaveAs } from '../../ui/SaveAs.tsx';
import { saveCsv } from '../page/save-file.ts';
import type { Stretch } from './OrdersPicture.tsx';
import { wordsFor } from './words.ts';
import { part } from '../page/parts.ts';

/** The bunches of orders in words, and how new and returning shoppers compare. */
export const PeaksTable = memo(function PeaksTable({
  marketId,
  currency,
  study,
  choose,
}: {
  marketId: string;
  currency: string;
  study: OrderStudy;
  choose: (group: Stretch) => void;
}) {
  const { money, locale } = useNotation();
  const words = wordsFor(locale);
  const round = (minor: number) => money(Math.round(minor), currency);
  const { peaks, summary, tally, shoppers } = study;
  if (!summary) return null;
  const known = tally.orders - tally.unknown;
  const free = tally.free[tally.free.length - 1] ?? 0;
  const save = () =>
    saveCsv(
      `peaks-${marketId}`,
      ['peak at', 'from', 'to', 'share of orders'],
      peaks.map(({ at, from, to, share }) => [at, from, to, share]),
    );
  return (
    <section ref={part('bunches')} aria-label="Where orders bunch" data-testid="peaks-in-words">
      <h2 className="flex flex-wrap items-baseline gap-x-3 text-lead">
        Where orders bunch <SaveAs what="the peaks" forms={[{ name: 'CSV', save }]} />
      </h2>
      <ul className="mt-1">
        {peaks.map((peak) => (
          <li key={peak.at} className="flex flex-wrap items-baseline gap-x-2 border-b border-hairline py-1">
            <span>
              about <strong>{round(peak.at)}</strong>, {round(peak.from)} to {round(peak.to)}:{' '}
              {words.percent(peak.share)} of orders
            </span>
            <button type="button" className="btn btn-xs" onClick={() => choose({ from: peak.from, to: peak.to })}>
              look at this group
            </button>
          </li>
        ))}
        {peaks.length === 0 && <li className="text-soft">No bunch stands out from chance here.</li>}
      </ul>
      <p className="mt-1.5">
        The average is {round(summary.average)} and half of all orders stay below {round(summary.median)}
        {peaks.length > 1 && ': neither is what shoppers typically buy'}.
      </p>
      {known > 0 && (
        <p>
          Delivery was paid in {words.percent((known - free) / known)} and free in {words.percent(free / known)} of them
          {tally.unknown > 0 && `, as far as ${words.count(known)} orders say`}.
        </p>
      )}
      {shoppers && (
        <p data-testid="shoppers-compared">
          Returning shoppers’ orders average {round(shoppers.returning.average)}, those of new ones{' '}
          {round(shoppers.fresh.average)}:{' '}
          {shoppers.difference && (shoppers.difference.low > 0 || shoppers.difference.high < 0)
            ? `a difference of ${round(shoppers.difference.difference)}, with 95 % certainty between ${round(shoppers.difference.low)} and ${round(shoppers.difference.high)}.`
            : 'not enough orders to tell them apart.'}
        </p>
      )}
    </section>
  );
});
