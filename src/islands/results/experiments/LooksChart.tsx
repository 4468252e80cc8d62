import { useRef } from 'react';
import {
  Area,
  CartesianGrid,
  ComposedChart,
  Line,
  ReferenceLine,
  Tooltip,
  XAxis,
  YAxis,
  type TooltipContentProps,
} from 'recharts';
import { minorPerMajor } from '../../../core/money/currency.ts';
import type { ArmStudy } from '../../../core/experiments/study-experiment.ts';
import type { Experiment } from '../../../core/policy/types.ts';
import { dateOfDay } from '../../../core/time/day.ts';
import { writeDay } from '../../../core/time/written-date.ts';
import { axisLook, ChartWords, cursorLook, gridLook } from '../../../ui/chart/chart-look.tsx';
import { useWidth } from '../../../ui/use-width.ts';
import { useNotation } from '../../page/page-context.tsx';
import type { FigureWords } from '../study/figure-words.ts';
import { looksHeight } from './looks-height.ts';

interface Point {
  day: number;
  difference: number;
  band: [number, number];
}

/** How the difference stood at each look, within the band that holds at all of them. */
export default function LooksChart({
  looks,
  smallest,
  measure,
  currency,
  words,
}: {
  looks: ArmStudy['looks'];
  /** the smallest difference worth knowing, minor units */
  smallest: number;
  measure: Experiment['measure'];
  currency: string;
  words: FigureWords;
}) {
  const { locale } = useNotation();
  const box = useRef<HTMLDivElement>(null);
  const width = useWidth(box, 860);
  const points = looks.map(({ day, difference, low, high }): Point => ({ day, difference, band: [low, high] }));
  const compact = new Intl.NumberFormat(locale, { maximumFractionDigits: 0, signDisplay: 'exceptZero' });
  const short = new Intl.DateTimeFormat(locale, { day: 'numeric', month: 'short', timeZone: 'UTC' });
  // The first looks know next to nothing: what they leave open is cut off, so that the later ones can be read.
  const settled = points.slice(Math.floor(points.length / 4));
  const reach = roundUp(Math.max(smallest * 1.5, ...settled.flatMap(({ band }) => band.map(Math.abs))));
  return (
    <div ref={box} data-testid="looks-chart">
      <ComposedChart
        width={width}
        height={looksHeight}
        data={points}
        margin={{ top: 8, right: 12, bottom: 0, left: 0 }}
        accessibilityLayer
        title="Difference as it stood each evening"
      >
        <CartesianGrid {...gridLook} />
        <XAxis
          dataKey="day"
          type="number"
          domain={[points[0]!.day, points.at(-1)!.day]}
          tickCount={8}
          tickFormatter={(day: number) => short.format(day * 86_400_000)}
          {...axisLook}
        />
        <YAxis
          width={52}
          domain={[-reach, reach]}
          allowDataOverflow
          tickCount={5}
          tickFormatter={(value: number) => compact.format(value / minorPerMajor(currency))}
          {...axisLook}
          axisLine={false}
          tickLine={false}
        />
        <Area dataKey="band" stroke="none" fill="var(--color-primary)" fillOpacity={0.14} isAnimationActive={false} />
        <ReferenceLine y={0} stroke="var(--ink-soft)" />
        {[smallest, -smallest].map((y) => (
          <ReferenceLine key={y} y={y} stroke="var(--ember-ink)" strokeDasharray="2 3" />
        ))}
        <Line
          dataKey="difference"
          stroke="var(--color-primary)"
          strokeWidth={1.5}
          dot={false}
          isAnimationActive={false}
        />
        <Tooltip
          cursor={cursorLook}
          isAnimationActive={false}
          content={(tip) => <Words {...tip} measure={measure} words={words} />}
        />
      </ComposedChart>
    </div>
  );
}

/** To the next 1, 2, 4, 6, 8 or 10 times a power of ten, whose halves are round too. */
function roundUp(value: number): number {
  const power = 10 ** Math.floor(Math.log10(value));
  return power * ([1, 2, 4, 6, 8].find((step) => step * power >= value) ?? 10);
}

function Words({
  active,
  payload,
  measure,
  words,
}: TooltipContentProps & { measure: Experiment['measure']; words: FigureWords }) {
  const { locale } = useNotation();
  const point = payload?.[0]?.payload as Point | undefined;
  if (!active || !point) return null;
  const [low, high] = point.band;
  return (
    <ChartWords>
      <p>{writeDay(dateOfDay(point.day), locale)}</p>
      <p>
        <strong>{words.difference(measure, point.difference)}</strong> ({words.range(measure, low, high)})
      </p>
    </ChartWords>
  );
}
