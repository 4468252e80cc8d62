import { linearScale } from '../../ui/chart/linear-scale.ts';
import { useMemo, useRef } from 'react';
import {
  CartesianGrid,
  Line,
  LineChart,
  ReferenceLine,
  Tooltip,
  XAxis,
  YAxis,
  type TooltipContentProps,
} from 'recharts';
import type { DayRate } from '../../core/money/rate-history.ts';
import { writeDay } from '../../core/time/written-date.ts';
import { axisLook, ChartWords, cursorLook, gridLook } from '../../ui/chart/chart-look.tsx';
import { useWidth } from '../../ui/use-width.ts';
import { useNotation } from '../page/page-context.tsx';

const height = 132;

interface RatePoint extends DayRate {
  value: number;
}

/** The line of a rate, and that of the adopted one. */
export default function RateChart({
  currency,
  rates,
  adopted,
}: {
  currency: string;
  rates: readonly DayRate[];
  adopted: string | null;
}) {
  const { locale } = useNotation();
  const box = useRef<HTMLDivElement>(null);
  const width = useWidth(box, 860);
  const points = useMemo(() => rates.map((rate): RatePoint => ({ ...rate, value: Number(rate.rate) })), [rates]);
  const values = points.map(({ value }) => value);
  const all = adopted === null ? values : [...values, Number(adopted)];
  const [lowest, highest] = [Math.min(...all), Math.max(...all)];
  const some = (highest - lowest || highest) * 0.08;
  const figure = new Intl.NumberFormat(locale, { maximumSignificantDigits: 5 });
  const said = `Rate of ${currency} from ${rates[0]!.day} to ${rates.at(-1)!.day}: lowest ${Math.min(...values)}, highest ${Math.max(...values)}${adopted === null ? '' : `, adopted ${adopted}`}`;
  return (
    <div ref={box} data-testid="rate-chart">
      <LineChart
        width={width}
        height={height}
        data={points}
        margin={{ top: 14, right: 64, bottom: 0, left: 0 }}
        accessibilityLayer
        title={said}
      >
        <CartesianGrid {...gridLook} />
        <XAxis
          dataKey="day"
          ticks={[rates[0]!.day, rates[Math.floor((rates.length - 1) / 2)]!.day, rates.at(-1)!.day]}
          interval={0}
          tickFormatter={(day: string) => writeDay(day, locale)}
          {...axisLook}
        />
        <YAxis
          width={58}
          domain={[lowest - some, highest + some]}
          ticks={linearScale([lowest - some, highest + some], [0, 1]).ticks(4)}
          tickFormatter={(value: number) => figure.format(value)}
          {...axisLook}
          axisLine={false}
          tickLine={false}
        />
        <Line dataKey="value" stroke="var(--color-primary)" strokeWidth={1.5} dot={false} isAnimationActive={false} />
        {adopted !== null && (
          <ReferenceLine
            y={Number(adopted)}
            stroke="var(--color-accent)"
            strokeWidth={1.5}
            strokeDasharray="6 4"
            label={{
              value: `adopted ${adopted}`,
              position: 'insideBottomRight',
              fontSize: 12,
              fill: 'var(--ember-ink)',
            }}
          />
        )}
        <Tooltip cursor={cursorLook} isAnimationActive={false} content={Words} />
      </LineChart>
    </div>
  );
}

function Words({ active, payload }: TooltipContentProps) {
  const { locale } = useNotation();
  const point = payload?.[0]?.payload as RatePoint | undefined;
  if (!active || !point) return null;
  return (
    <ChartWords>
      {writeDay(point.day, locale)}: <strong>{point.rate}</strong>
    </ChartWords>
  );
}
