import { useRef, type RefObject } from 'react';
import {
  CartesianGrid,
  Line,
  LineChart,
  ReferenceArea,
  ReferenceLine,
  Tooltip,
  XAxis,
  YAxis,
  type TooltipContentProps,
} from 'recharts';
import { minorPerMajor } from '../../../core/money/currency.ts';
import { figureKinds, type FigureId } from '../../../core/results/figures/registry.ts';
import type { SeriesPoint } from '../../../core/results/series.ts';
import type { Windows } from '../../../core/results/study-change.ts';
import { dateOfDay } from '../../../core/time/day.ts';
import { writeDay } from '../../../core/time/written-date.ts';
import { axisLook, ChartWords, cursorLook, gridLook } from '../../../ui/chart/chart-look.tsx';
import { useWidth } from '../../../ui/use-width.ts';
import { useNotation } from '../../page/page-context.tsx';
import type { FigureWords } from '../study/figure-words.ts';

/** px */
const height = 170;

/** A release as the lines mark it. */
export interface MarkedRelease {
  number: number;
  day: number;
  /** it changed an offer of this market */
  here: boolean;
}

/** A figure week by week or day by day, with releases and the two windows marked. */
export default function SeriesChart({
  points,
  figure,
  currency,
  windows,
  releases,
  step,
  words,
  picture,
}: {
  points: SeriesPoint[];
  figure: FigureId;
  currency: string;
  windows: Windows;
  releases: readonly MarkedRelease[];
  step: 'day' | 'week';
  words: FigureWords;
  picture: RefObject<HTMLDivElement | null>;
}) {
  const { locale } = useNotation();
  const box = useRef<HTMLDivElement>(null);
  const width = useWidth(box, 860);
  const { unit, name } = figureKinds[figure];
  const compact = new Intl.NumberFormat(locale, { notation: 'compact', maximumFractionDigits: 1 });
  const percent = new Intl.NumberFormat(locale, { style: 'percent', maximumFractionDigits: 0 });
  const month = new Intl.DateTimeFormat(locale, { month: 'short', year: '2-digit', timeZone: 'UTC' });
  const [first, last] = [points[0]!.day, points.at(-1)!.day];
  const write = (value: number) => {
    if (unit === 'share') return percent.format(value);
    return compact.format(unit === 'money' ? value / minorPerMajor(currency) : value);
  };
  return (
    <div ref={picture} data-testid="results-series">
      <div ref={box}>
        <LineChart
          width={width}
          height={height}
          data={points}
          margin={{ top: 18, right: 12, bottom: 0, left: 0 }}
          accessibilityLayer
          title={`${name}, ${step === 'day' ? 'day by day' : 'week by week'}`}
        >
          <CartesianGrid {...gridLook} />
          <XAxis
            dataKey="day"
            type="number"
            domain={[first, last]}
            tickCount={9}
            tickFormatter={(day: number) => month.format(day * 86_400_000)}
            {...axisLook}
          />
          <YAxis
            width={52}
            domain={[unit === 'count' || unit === 'share' ? 0 : 'auto', 'auto']}
            tickCount={4}
            tickFormatter={write}
            {...axisLook}
            axisLine={false}
            tickLine={false}
          />
          {[windows.before, windows.after].map(({ from, to }, place) => (
            <ReferenceArea
              key={place}
              x1={Math.max(first, from)}
              x2={Math.min(last, to)}
              fill={place === 0 ? 'var(--bar)' : 'var(--color-primary)'}
              fillOpacity={place === 0 ? 0.35 : 0.12}
              ifOverflow="hidden"
            />
          ))}
          {releases
            .filter(({ day }) => day >= first && day <= last)
            .map(({ number, day, here }) => (
              <ReferenceLine
                key={number}
                x={day}
                stroke={here ? 'var(--ember-ink)' : 'var(--ink-soft)'}
                strokeDasharray={here ? undefined : '2 3'}
                label={{
                  value: `release ${number}`,
                  position: 'top',
                  fontSize: 12,
                  fill: here ? 'var(--ember-ink)' : 'var(--ink-soft)',
                }}
              />
            ))}
          <Line
            dataKey="value"
            stroke="var(--color-primary)"
            strokeWidth={1.5}
            dot={false}
            isAnimationActive={false}
            connectNulls={false}
          />
          <Tooltip
            cursor={cursorLook}
            isAnimationActive={false}
            content={(tip) => <Words {...tip} figure={figure} step={step} words={words} />}
          />
        </LineChart>
      </div>
    </div>
  );
}

function Words({
  active,
  payload,
  figure,
  step,
  words,
}: TooltipContentProps & { figure: FigureId; step: 'day' | 'week'; words: FigureWords }) {
  const { locale } = useNotation();
  const point = payload?.[0]?.payload as SeriesPoint | undefined;
  if (!active || !point) return null;
  return (
    <ChartWords>
      <p>
        {step === 'week' && 'week from '}
        {writeDay(dateOfDay(point.day), locale)}
      </p>
      <p>
        {figureKinds[figure].name}{' '}
        <strong>{point.value === null ? 'not known' : words.value(figure, point.value)}</strong>, of{' '}
        {words.count(point.orders)} orders
      </p>
    </ChartWords>
  );
}
