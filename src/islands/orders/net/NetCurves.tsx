import { linearScale } from '../../../ui/chart/linear-scale.ts';
import { useMemo, type ReactNode } from 'react';
import { Area, ComposedChart, Line, ReferenceDot, ReferenceLine, Tooltip, XAxis, YAxis } from 'recharts';
import { minorPerMajor } from '../../../core/money/currency.ts';
import { axisLook, ChartWords, cursorLook } from '../../../ui/chart/chart-look.tsx';
import { useNotation } from '../../page/page-context.tsx';
import { margin } from '../order-scale.ts';
import { axisHeight, chartHeight, chartTop } from './TrialLines.tsx';

/** What a goal at one amount would bring a month; money in minor units. */
export interface NetPoint {
  /** in minor units, or pieces */
  goal: number;
  net: number;
  may: [low: number, high: number];
}

/** Net of a month along goals, with its band and the most that it comes to. */
export function NetCurves<Point extends NetPoint>({
  points,
  currency,
  end,
  width,
  range,
  title,
  pieces = false,
  best,
  behind,
  beside,
  words,
}: {
  points: readonly Point[];
  currency: string;
  end: number;
  width: number;
  /** of the net that is drawn; what lies beyond is cut off */
  range: [lowest: number, highest: number];
  title: string;
  /** goals are counted in pieces */
  pieces?: boolean;
  /** where a dot is put */
  best: Point | null;
  /** drawn behind the band, and between it and the net */
  behind?: ReactNode;
  beside?: ReactNode;
  /** said of the amount pointed at */
  words: (point: Point) => ReactNode;
}) {
  const { locale } = useNotation();
  const format = useMemo(
    () => new Intl.NumberFormat(locale, { notation: 'compact', maximumFractionDigits: 1 }),
    [locale],
  );
  const inMajor = (minor: number) => format.format(minor / minorPerMajor(currency));
  return (
    <ComposedChart
      width={width}
      height={chartHeight}
      data={points as Point[]}
      margin={{ top: chartTop, right: margin.right, bottom: 0, left: 0 }}
      accessibilityLayer
      title={title}
    >
      <XAxis
        height={axisHeight}
        dataKey="goal"
        type="number"
        domain={[0, end]}
        ticks={linearScale([0, end], [0, 1]).ticks(pieces ? Math.min(12, end) : 9)}
        tickFormatter={pieces ? String : inMajor}
        {...axisLook}
      />
      <YAxis
        width={margin.left}
        domain={range}
        allowDataOverflow
        ticks={linearScale(range, [0, 1]).ticks(4)}
        tickFormatter={inMajor}
        {...axisLook}
        axisLine={false}
        tickLine={false}
      />
      <ReferenceLine y={0} stroke="var(--ink-soft)" />
      {behind}
      <Area
        dataKey="may"
        stroke="none"
        fill="var(--color-accent)"
        fillOpacity={0.18}
        isAnimationActive={false}
        activeDot={false}
      />
      {beside}
      <Line
        dataKey="net"
        stroke="var(--ember-ink)"
        strokeWidth={2}
        dot={pieces ? { r: 3 } : false}
        isAnimationActive={false}
      />
      {best && (
        <ReferenceDot x={best.goal} y={best.net} r={3.5} fill="var(--ember-ink)" stroke="none" ifOverflow="hidden" />
      )}
      <Tooltip
        cursor={cursorLook}
        isAnimationActive={false}
        content={({ active, payload }) => {
          const point = payload?.[0]?.payload as Point | undefined;
          return active && point ? <ChartWords>{words(point)}</ChartWords> : null;
        }}
      />
    </ComposedChart>
  );
}

/** The point with the highest net. */
export const mostOf = <Point extends NetPoint>(points: readonly Point[]): Point | null =>
  points.reduce<Point | null>((most, point) => (most && most.net >= point.net ? most : point), null);
