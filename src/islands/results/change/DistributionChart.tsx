import { useMemo, useRef, type RefObject } from 'react';
import { Area, ComposedChart, Line, ReferenceLine, Tooltip, XAxis, YAxis, type TooltipContentProps } from 'recharts';
import { minorPerMajor } from '../../../core/money/currency.ts';
import type { TwoDistributions } from '../../../core/results/two-distributions.ts';
import { axisLook, ChartWords, cursorLook } from '../../../ui/chart/chart-look.tsx';
import { useWidth } from '../../../ui/use-width.ts';
import { useNotation } from '../../page/page-context.tsx';

/** px */
const height = 190;

interface BandPoint {
  /** left edge, minor units */
  from: number;
  before: number;
  after: number;
}

/** Order values before and after over one another, with the goals of both. */
export default function DistributionChart({
  distributions: { band, before, after },
  goals,
  currency,
  picture,
  width: fixed,
}: {
  distributions: TwoDistributions;
  goals: { before: number | null; after: number | null };
  currency: string;
  picture: RefObject<HTMLDivElement | null>;
  /** px; as wide as there is room where it is left out */
  width?: number;
}) {
  const { locale } = useNotation();
  const box = useRef<HTMLDivElement>(null);
  const measured = useWidth(box, 860);
  const width = fixed ?? measured;
  const points = useMemo(() => {
    const all: BandPoint[] = before.map((share, place) => ({
      from: place * band,
      before: share,
      after: after[place]!,
    }));
    // A last point, so that the last step is drawn to its end.
    const last = all.at(-1);
    return last ? [...all, { ...last, from: last.from + band }] : all;
  }, [band, before, after]);
  const percent = new Intl.NumberFormat(locale, { style: 'percent', maximumFractionDigits: 0 });
  const figure = new Intl.NumberFormat(locale, { maximumFractionDigits: 0 });
  const amount = (minor: number) => figure.format(minor / minorPerMajor(currency));
  const lines = [
    ...(goals.before !== null && goals.before !== goals.after
      ? [{ at: goals.before, says: 'goal before', old: true }]
      : []),
    ...(goals.after !== null
      ? [{ at: goals.after, says: goals.before === goals.after ? 'goal' : 'goal after', old: false }]
      : []),
  ];
  return (
    <div ref={picture} data-testid="two-distributions">
      <div ref={box}>
        <ComposedChart
          width={width}
          height={height}
          data={points}
          margin={{ top: 18, right: 12, bottom: 0, left: 0 }}
          accessibilityLayer
          title="Order values before and after the change"
        >
          <XAxis
            dataKey="from"
            type="number"
            domain={[0, points.at(-1)?.from ?? 1]}
            tickCount={10}
            tickFormatter={amount}
            {...axisLook}
          />
          <YAxis
            width={44}
            tickCount={4}
            tickFormatter={(share: number) => percent.format(share)}
            {...axisLook}
            axisLine={false}
            tickLine={false}
          />
          <Area
            dataKey="before"
            type="stepAfter"
            stroke="var(--ink-soft)"
            strokeDasharray="3 3"
            fill="var(--bar)"
            fillOpacity={0.6}
            isAnimationActive={false}
            activeDot={false}
          />
          <Line
            dataKey="after"
            type="stepAfter"
            stroke="var(--color-primary)"
            strokeWidth={2}
            dot={false}
            activeDot={false}
            isAnimationActive={false}
          />
          {lines.map(({ at, says, old }) => (
            <ReferenceLine
              key={says}
              x={at}
              stroke={old ? 'var(--ink-soft)' : 'var(--ember-ink)'}
              strokeDasharray="3 3"
              label={({ viewBox }: { viewBox: { x: number; y: number } }) => (
                <GoalName
                  x={viewBox.x}
                  y={viewBox.y}
                  text={`${says} ${amount(at)}`}
                  left={at < Math.max(...lines.map((line) => line.at))}
                  old={old}
                />
              )}
            />
          ))}
          <Tooltip
            cursor={cursorLook}
            isAnimationActive={false}
            content={(tip) => <Words {...tip} band={band} currency={currency} />}
          />
        </ComposedChart>
      </div>
    </div>
  );
}

/** Above the picture, to the side where the other goal is not. */
function GoalName({ x, y, text, left, old }: { x: number; y: number; text: string; left: boolean; old: boolean }) {
  return (
    <text
      x={x + (left ? -4 : 4)}
      y={y - 6}
      textAnchor={left ? 'end' : 'start'}
      fontSize="12"
      className={old ? 'fill-soft' : 'fill-ember'}
    >
      {text}
    </text>
  );
}

function Words({ active, payload, band, currency }: TooltipContentProps & { band: number; currency: string }) {
  const { money, locale } = useNotation();
  const point = payload?.[0]?.payload as BandPoint | undefined;
  if (!active || !point) return null;
  const percent = new Intl.NumberFormat(locale, { style: 'percent', maximumFractionDigits: 1 });
  return (
    <ChartWords>
      <p>
        {money(point.from, currency)} to below {money(point.from + band, currency)}
      </p>
      <p>
        after <strong>{percent.format(point.after)}</strong> of orders, before {percent.format(point.before)}
      </p>
    </ChartWords>
  );
}
