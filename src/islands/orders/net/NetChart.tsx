import { scaleLinear } from 'd3-scale';
import { memo, useMemo, useRef } from 'react';
import {
  Area,
  ComposedChart,
  Line,
  ReferenceDot,
  ReferenceLine,
  Tooltip,
  XAxis,
  YAxis,
  type TooltipContentProps,
} from 'recharts';
import { minorPerMajor } from '../../../core/money/currency.ts';
import type { Outcome } from '../../../core/orders/candidates.ts';
import { axisLook, ChartWords, cursorLook } from '../../../ui/chart/chart-look.tsx';
import { useWidth } from '../../../ui/use-width.ts';
import { useNotation } from '../../page/page-context.tsx';
import { margin } from '../order-scale.ts';
import { axisHeight, chartHeight, chartTop, TrialLines } from './TrialLines.tsx';

/** One amount at which a goal could stand; amounts a month in minor units. */
interface NetPoint {
  goal: number;
  gain: number;
  cost: number;
  net: number;
  may: [low: number, high: number];
}

/** The curves of cost, gain and net with its band. What is far below nothing would press the rest flat, and is cut off. */
export default function NetChart({
  curve,
  currency,
  end,
  goals,
}: {
  curve: readonly Outcome[];
  currency: string;
  end: number;
  goals: readonly number[];
}) {
  const box = useRef<HTMLDivElement>(null);
  const width = useWidth(box, 884);
  const points = useMemo(() => curve.map(pointOf), [curve]);
  return (
    <div ref={box} className="relative" data-testid="net-curve">
      <Curves points={points} currency={currency} end={end} width={width} />
      <TrialLines goals={goals} end={end} width={width} />
    </div>
  );
}

const pointOf = ({ goals, gain, cost, net, low, high }: Outcome): NetPoint => ({
  goal: goals[0]!.goal,
  gain,
  cost: -cost,
  net,
  may: [low, high],
});

const Curves = memo(function Curves({
  points,
  currency,
  end,
  width,
}: {
  points: readonly NetPoint[];
  currency: string;
  end: number;
  width: number;
}) {
  const { locale } = useNotation();
  const highest = points.reduce((most, { gain, may }) => Math.max(most, gain, may[1]), 1);
  const lowest = Math.max(
    -1.5 * highest,
    points.reduce((least, { may }) => Math.min(least, may[0]), 0),
  );
  const best = points.reduce<NetPoint | null>((most, point) => (most && most.net >= point.net ? most : point), null);
  const format = useMemo(
    () => new Intl.NumberFormat(locale, { notation: 'compact', maximumFractionDigits: 1 }),
    [locale],
  );
  const inMajor = (minor: number) => format.format(minor / minorPerMajor(currency));
  return (
    <ComposedChart
      width={width}
      height={chartHeight}
      data={points as NetPoint[]}
      margin={{ top: chartTop, right: margin.right, bottom: 0, left: 0 }}
      accessibilityLayer
      title="What a goal at each amount would bring a month"
    >
      <XAxis
        height={axisHeight}
        dataKey="goal"
        type="number"
        domain={[0, end]}
        ticks={scaleLinear([0, end], [0, 1]).ticks(9)}
        tickFormatter={inMajor}
        {...axisLook}
      />
      <YAxis
        width={margin.left}
        domain={[lowest, highest]}
        allowDataOverflow
        ticks={scaleLinear([lowest, highest], [0, 1]).ticks(4)}
        tickFormatter={inMajor}
        {...axisLook}
        axisLine={false}
        tickLine={false}
      />
      <ReferenceLine y={0} stroke="var(--ink-soft)" />
      <Area
        dataKey="may"
        stroke="none"
        fill="var(--color-accent)"
        fillOpacity={0.18}
        isAnimationActive={false}
        activeDot={false}
      />
      <Line
        dataKey="gain"
        stroke="var(--option-3)"
        strokeWidth={1.3}
        strokeDasharray="7 3"
        dot={false}
        isAnimationActive={false}
      />
      <Line
        dataKey="cost"
        stroke="var(--option-1)"
        strokeWidth={1.3}
        strokeDasharray="2 3"
        dot={false}
        isAnimationActive={false}
      />
      <Line dataKey="net" stroke="var(--ember-ink)" strokeWidth={2} dot={false} isAnimationActive={false} />
      {best && (
        <ReferenceDot x={best.goal} y={best.net} r={3.5} fill="var(--ember-ink)" stroke="none" ifOverflow="hidden" />
      )}
      <Tooltip
        cursor={cursorLook}
        isAnimationActive={false}
        content={(shown) => <Words {...shown} currency={currency} />}
      />
    </ComposedChart>
  );
});

function Words({ active, payload, currency }: TooltipContentProps & { currency: string }) {
  const { money } = useNotation();
  const point = payload?.[0]?.payload as NetPoint | undefined;
  if (!active || !point) return null;
  const round = (minor: number) => money(Math.round(minor), currency);
  return (
    <ChartWords>
      <p>
        A goal at <strong>{money(point.goal, currency)}</strong>, a month:
      </p>
      <p>
        net {round(point.net)}, between {round(point.may[0])} and {round(point.may[1])}
      </p>
      <p className="text-soft">
        gain {round(point.gain)}, cost {round(-point.cost)}
      </p>
    </ChartWords>
  );
}
