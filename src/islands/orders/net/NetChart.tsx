import { memo, useMemo, useRef } from 'react';
import { Line } from 'recharts';
import type { Outcome } from '../../../core/orders/candidates.ts';
import { useWidth } from '../../../ui/use-width.ts';
import { useNotation } from '../../page/page-context.tsx';
import { mostOf, NetCurves, type NetPoint } from './NetCurves.tsx';
import { TrialLines } from './TrialLines.tsx';

/** One amount at which a goal could stand; amounts a month in minor units. */
interface GainPoint extends NetPoint {
  gain: number;
  cost: number;
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

const pointOf = ({ goals, gain, cost, net, low, high }: Outcome): GainPoint => ({
  goal: goals[0]!.goal,
  gain,
  cost: -cost,
  net,
  may: [low, high],
});

const thin = { strokeWidth: 1.3, dot: false, isAnimationActive: false } as const;

const Curves = memo(function Curves({
  points,
  currency,
  end,
  width,
}: {
  points: readonly GainPoint[];
  currency: string;
  end: number;
  width: number;
}) {
  const { money } = useNotation();
  const highest = points.reduce((most, { gain, may }) => Math.max(most, gain, may[1]), 1);
  const lowest = Math.max(
    -1.5 * highest,
    points.reduce((least, { may }) => Math.min(least, may[0]), 0),
  );
  const round = (minor: number) => money(Math.round(minor), currency);
  return (
    <NetCurves
      {...{ points, currency, end, width }}
      range={[lowest, highest]}
      title="What a goal at each amount would bring a month"
      best={mostOf(points)}
      beside={
        <>
          <Line dataKey="gain" stroke="var(--option-3)" strokeDasharray="7 3" {...thin} />
          <Line dataKey="cost" stroke="var(--option-1)" strokeDasharray="2 3" {...thin} />
        </>
      }
      words={({ goal, net, may: [low, high], gain, cost }) => (
        <>
          <p>
            A goal at <strong>{money(goal, currency)}</strong>, a month:
          </p>
          <p>
            net {round(net)}, between {round(low)} and {round(high)}
          </p>
          <p className="text-soft">
            gain {round(gain)}, cost {round(-cost)}
          </p>
        </>
      )}
    />
  );
});
