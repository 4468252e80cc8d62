import { useRef } from 'react';
import { figureIds, figureKinds } from '../../../core/results/figures/registry.ts';
import type { ChangeQuestion } from '../../../core/results/study-change.ts';
import type { OrderSpan } from '../../../core/orders/study.ts';
import { dateOfDay } from '../../../core/time/day.ts';
import { WhenSeen } from '../../../ui/chart/WhenSeen.tsx';
import { lazyPart } from '../../../ui/lazy-part.tsx';
import { PhraseSelect } from '../../../ui/PhraseSelect.tsx';
import { SaveAs } from '../../../ui/SaveAs.tsx';
import { part } from '../../page/parts.ts';
import { picturesOf, saveCsv } from '../../page/save-file.ts';
import type { SetQuery } from '../../page/use-query.ts';
import type { ChosenChange } from '../../../core/results/asked/chosen-change.ts';
import type { FigureWords } from '../study/figure-words.ts';
import type { MarkedRelease } from './SeriesChart.tsx';
import { useSeries } from '../study/use-change.ts';

const SeriesChart = lazyPart(() => import('./SeriesChart.tsx'));
const height = 170;

/** A figure of one’s choice over time. */
export function Series({
  market,
  currency,
  span: { firstDay, lastDay },
  question,
  chosen: { figure, step },
  releases,
  words,
  setQuery,
}: {
  market: string;
  currency: string;
  span: OrderSpan;
  question: ChangeQuestion;
  chosen: ChosenChange;
  releases: readonly MarkedRelease[];
  words: FigureWords;
  setQuery: SetQuery;
}) {
  const picture = useRef<HTMLDivElement>(null);
  const { before, after } = question.windows;
  // Day by day only around the change: two years of days are a hedge.
  const days =
    step === 'week'
      ? { from: firstDay, to: lastDay + 1 }
      : { from: Math.max(firstDay, before.from - 28), to: Math.min(lastDay + 1, after.to + 28) };
  const points = useSeries(market, question, { figure, days, step });
  const save = () => {
    if (!points) return;
    saveCsv(
      `results-${market}-${figure}`,
      [step === 'week' ? 'Week from' : 'Day', figureKinds[figure].name, 'Orders'],
      points.map(({ day, value, orders }) => [dateOfDay(day), words.number(figure, value), orders]),
    );
  };
  return (
    <section ref={part('week by week')} aria-label="Week by week" className="pt-3">
      <p className="flex flex-wrap items-baseline justify-between gap-x-4">
        <span>
          <PhraseSelect
            label="Figure"
            value={figure}
            options={figureIds.map((id) => [id, figureKinds[id].name])}
            choose={(id) => setQuery({ figure: id === 'orderValue' ? '' : id })}
            testId="results-figure"
          />
          ,{' '}
          <PhraseSelect
            label="Step"
            value={step}
            options={[
              ['week', 'week by week'],
              ['day', 'day by day'],
            ]}
            choose={(chosen) => setQuery({ step: chosen === 'week' ? '' : chosen })}
            testId="results-step"
          />
        </span>
        <SaveAs
          what="the lines"
          forms={[{ name: 'CSV', save }, ...picturesOf(picture, `results-${market}-${figure}`)]}
        />
      </p>
      {points && points.length > 1 ? (
        <WhenSeen height={height} label="the figure over time">
          {() => (
            <SeriesChart
              points={points}
              figure={figure}
              currency={currency}
              windows={question.windows}
              releases={releases}
              step={step}
              words={words}
              picture={picture}
            />
          )}
        </WhenSeen>
      ) : (
        <svg
          width="100%"
          height={height}
          className="block bg-base-200"
          role="img"
          aria-label={points ? 'Too few days to draw a line' : 'Reading orders'}
        />
      )}
    </section>
  );
}
