import { useEffect, useMemo, useState } from 'react';
import { call } from '../../../client/http.ts';
import type { DayRate } from '../../../core/money/rate-history.ts';
import { inOrder } from '../../../core/ordered.ts';
import type { DatedStep } from '../../../core/results/changes-of-market.ts';
import type { Windows } from '../../../core/results/study-change.ts';
import { changedToo, type ChangedToo } from '../../../core/results/what-else.ts';
import { dateOfDay } from '../../../core/time/day.ts';
import { compileSchedule } from '../../../core/time/schedule.ts';
import { writeDay } from '../../../core/time/written-date.ts';
import { usePolicy } from '../../page/draft-context.tsx';
import { useCompiled, useNotation } from '../../page/page-context.tsx';
import { part } from '../../page/parts.ts';

/** Rates of a currency, as far as they are known; empty for the store’s own, and until they are there. */
function useRates(currency: string, base: string): readonly DayRate[] {
  const [rates, setRates] = useState<{ currency: string; of: readonly DayRate[] }>({ currency: '', of: [] });
  useEffect(() => {
    if (currency === base) return;
    let wanted = true;
    void call('GET /api/rates').then((answer) => {
      if (wanted && answer.ok) setRates({ currency, of: answer.body.rates[currency] ?? [] });
    });
    return () => {
      wanted = false;
    };
  }, [currency, base]);
  return rates.currency === currency ? rates.of : [];
}

/** What else changed while a change is looked at. @param own the release that is looked at */
export function useChangedToo(
  market: string,
  windows: Windows,
  steps: readonly DatedStep[],
  own: number | null,
): ChangedToo[] {
  const { store, markets, offers: all } = usePolicy();
  const compiled = useCompiled();
  const { currency } = markets[market]!;
  const rates = useRates(currency, store.baseCurrency);
  return useMemo(() => {
    const clocks = compiled.markets.get(market)?.terms.clocks ?? { store: store.timeZone, market: store.timeZone };
    const offers = inOrder(all).flatMap(([, { name, on, markets: sold, schedule }]) =>
      on && (!sold || Object.hasOwn(sold, market)) ? [{ name, span: compileSchedule(schedule, clocks) }] : [],
    );
    return changedToo(windows, { steps, own, offers, rates, currency, timeZone: store.timeZone });
  }, [compiled, all, market, windows, steps, own, rates, currency, store.timeZone]);
}

/** One of them as a sentence. */
export function changedTooInWords(one: ChangedToo, locale: string): string {
  if (one.kind === 'rate') {
    const percent = new Intl.NumberFormat(locale, {
      style: 'percent',
      maximumFractionDigits: 1,
      signDisplay: 'always',
    });
    return `The rate of ${one.currency} moved by ${percent.format(one.moved)} on average.`;
  }
  const day = writeDay(dateOfDay(one.day), locale);
  if (one.kind === 'offer') return `“${one.name}” ${one.edge} by its own dates on ${day}.`;
  const changed = [
    ...one.offers.map((name) => `“${name}”`),
    ...(one.others > 0
      ? [`${one.others} ${one.others === 1 ? 'thing' : 'things'} that ${one.others === 1 ? 'is' : 'are'} no offer`]
      : []),
  ];
  const list = new Intl.ListFormat('en', { type: 'conjunction' }).format(
    changed.length > 0 ? changed : ['nothing for shoppers'],
  );
  return `Release ${one.number} on ${day} changed ${list}${one.note ? `: ${one.note}` : '.'}`;
}

export function WhatElse({ changed }: { changed: readonly ChangedToo[] }) {
  const { locale } = useNotation();
  return (
    <section ref={part('what else changed')} aria-label="What else changed" className="pt-3" data-testid="what-else">
      <h2 className="text-title">What else changed in these weeks</h2>
      {changed.length === 0 ? (
        <p className="text-soft">
          Nothing that Summant knows of: no other release, no offer by its dates, no rate. Weather, campaigns and
          competitors it does not see.
        </p>
      ) : (
        <>
          <p className="text-soft">Each could be the reason for what is seen above.</p>
          <ul>
            {changed.map((one, index) => (
              <li key={index}>
                {changedTooInWords(one, locale)}{' '}
                {one.kind === 'release' && (
                  <a className="link link-primary" href="/release#compare">
                    Compare releases
                  </a>
                )}
              </li>
            ))}
          </ul>
        </>
      )}
    </section>
  );
}
