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
import type { MoveOutcome } from '../../../core/goal-moves/move.ts';
import { minorPerMajor } from '../../../core/money/currency.ts';
import { axisLook, ChartWords, cursorLook } from '../../../ui/chart/chart-look.tsx';
import { useWidth } from '../../../ui/use-width.ts';
import { useNotation } from '../../page/page-context.tsx';
import { axisHeight, chartHeight, chartTop, TrialLines } from '../net/TrialLines.tsx';
import { margin } from '../order-scale.ts';
import { goalNotation } from './goal-notation.ts';
import type { Moving } from './use-moving.ts';

/** One amount to which the goal may be moved; amounts a month in minor units. */
interface MovePoint {
  goal: number;
  net: number;
  may: [low: number, high: number];
  losing: number;
  gaining: number;
}

/** What is lost far from the goal in force would press what matters flat: it is cut off at so many times what can be won, or at what moves nearby do. */
const mostBelow = 1.5;
const nearby = 0.2;

/** Net of a month at each amount less that at the goal in force, with its band. */
export default function MoveChart({
  moving,
  currency,
  end,
  goals,
}: {
  moving: Moving;
  currency: string;
  end: number;
  goals: readonly number[];
}) {
  const box = useRef<HTMLDivElement>(null);
  const width = useWidth(box, 884);
  return (
    <div ref={box} className="relative" data-testid="move-curve">
      <Curves moving={moving} currency={currency} end={end} width={width} />
      <TrialLines goals={goals} end={end} width={width} />
    </div>
  );
}

const pointOf = ({ candidate, net, low, high, losing, gaining }: MoveOutcome): MovePoint => ({
  goal: candidate!,
  net,
  may: [low, high],
  losing,
  gaining,
});

const Curves = memo(function Curves({
  moving,
  currency,
  end,
  width,
}: {
  moving: Moving;
  currency: string;
  end: number;
  width: number;
}) {
  const { locale } = useNotation();
  const { curve, present } = moving;
  const points = useMemo(() => curve.along.map(pointOf).filter(({ goal }) => goal <= end), [curve, end]);
  const pieces = moving.asked.goal.measure === 'items';
  const [lowest, highest] = rangeOf(points, present);
  const best = points.reduce<MovePoint | null>((most, point) => (most && most.net >= point.net ? most : point), null);
  const format = useMemo(
    () => new Intl.NumberFormat(locale, { notation: 'compact', maximumFractionDigits: 1 }),
    [locale],
  );
  const inMajor = (minor: number) => format.format(minor / minorPerMajor(currency));
  return (
    <ComposedChart
      width={width}
      height={chartHeight}
      data={points}
      margin={{ top: chartTop, right: margin.right, bottom: 0, left: 0 }}
      accessibilityLayer
      title="What a month would bring with the goal at each amount, against the goal in force"
    >
      <XAxis
        height={axisHeight}
        dataKey="goal"
        type="number"
        domain={[0, end]}
        ticks={scaleLinear([0, end], [0, 1]).ticks(pieces ? Math.min(12, end) : 9)}
        tickFormatter={pieces ? String : inMajor}
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
      {present !== null && <ReferenceLine x={present} stroke="var(--ember-ink)" strokeDasharray="3 3" />}
      <Area
        dataKey="may"
        stroke="none"
        fill="var(--color-accent)"
        fillOpacity={0.18}
        isAnimationActive={false}
        activeDot={false}
      />
      <Line
        dataKey="net"
        stroke="var(--ember-ink)"
        strokeWidth={2}
        dot={pieces ? { r: 3 } : false}
        isAnimationActive={false}
      />
      {best && best.net > 0 && (
        <ReferenceDot x={best.goal} y={best.net} r={3.5} fill="var(--ember-ink)" stroke="none" ifOverflow="hidden" />
      )}
      <Tooltip
        cursor={cursorLook}
        isAnimationActive={false}
        content={(shown) => <Words {...shown} moving={moving} currency={currency} />}
      />
    </ComposedChart>
  );
});

function rangeOf(points: readonly MovePoint[], present: number | null): [number, number] {
  const highest = points.reduce((most, { may }) => Math.max(most, may[1]), 1);
  const near = points
    .filter(({ goal }) => present !== null && Math.abs(goal / present - 1) <= nearby)
    .reduce((most, { may }) => Math.max(most, -may[0]), 0);
  const lowest = points.reduce((least, { may }) => Math.min(least, may[0]), 0);
  return [Math.max(lowest, -mostBelow * Math.max(highest, near)), highest];
}

function Words({ active, payload, moving, currency }: TooltipContentProps & { moving: Moving; currency: string }) {
  const notation = useNotation();
  const { goal, orders } = goalNotation(notation, moving.asked.goal.measure, currency);
  const point = payload?.[0]?.payload as MovePoint | undefined;
  if (!active || !point) return null;
  const round = (minor: number) => notation.money(Math.round(minor), currency);
  return (
    <ChartWords>
      <p>
        The goal at <strong>{goal(point.goal)}</strong>
        {point.goal === moving.present ? ', where it is' : ', a month:'}
      </p>
      {point.goal !== moving.present && (
        <>
          <p>
            net {round(point.net)}, between {round(point.may[0])} and {round(point.may[1])}
          </p>
          <p className="text-soft">
            {orders(point.losing)} orders lose free delivery, {orders(point.gaining)} gain it
          </p>
        </>
      )}
    </ChartWords>
  );
}
