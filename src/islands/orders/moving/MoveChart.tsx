import { memo, useMemo, useRef } from 'react';
import { ReferenceLine } from 'recharts';
import type { MoveOutcome } from '../../../core/goal-moves/move.ts';
import { useWidth } from '../../../ui/use-width.ts';
import { useNotation } from '../../page/page-context.tsx';
import { mostOf, NetCurves, type NetPoint } from '../net/NetCurves.tsx';
import { TrialLines } from '../net/TrialLines.tsx';
import { goalNotation } from './goal-notation.ts';
import type { Moving } from './use-moving.ts';

/** One amount to which the goal may be moved; amounts a month in minor units. */
interface MovePoint extends NetPoint {
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
  const notation = useNotation();
  const { curve, present } = moving;
  const { measure } = moving.asked.goal;
  const points = useMemo(() => curve.along.map(pointOf).filter(({ goal }) => goal <= end), [curve, end]);
  const best = mostOf(points);
  const { goal: write, orders } = goalNotation(notation, measure, currency);
  const round = (minor: number) => notation.money(Math.round(minor), currency);
  return (
    <NetCurves
      {...{ points, currency, end, width }}
      range={rangeOf(points, present)}
      title="What a month would bring with the goal at each amount, against the goal in force"
      pieces={measure === 'items'}
      best={best && best.net > 0 ? best : null}
      behind={present !== null && <ReferenceLine x={present} stroke="var(--ember-ink)" strokeDasharray="3 3" />}
      words={({ goal, net, may: [low, high], losing, gaining }) => (
        <>
          <p>
            The goal at <strong>{write(goal)}</strong>
            {goal === present ? ', where it is' : ', a month:'}
          </p>
          {goal !== present && (
            <>
              <p>
                net {round(net)}, between {round(low)} and {round(high)}
              </p>
              <p className="text-soft">
                {orders(losing)} orders lose free delivery, {orders(gaining)} gain it
              </p>
            </>
          )}
        </>
      )}
    />
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
