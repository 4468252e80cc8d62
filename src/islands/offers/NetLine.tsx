import { memo, useMemo } from 'react';
import { goalToWeigh, type AskedGoal } from '../../core/goal-moves/asked-goals.ts';
import { candidateCurve } from '../../core/orders/candidates.ts';
import { niceStep } from '../../core/orders/nice-step.ts';
import { monthsOf } from '../../core/orders/period-months.ts';
import { responseOf, usualAssumption } from '../../core/orders/response.ts';
import { allOrders } from '../../core/orders/tally.ts';
import type { DatedStep } from '../../core/results/changes-of-market.ts';
import { useMoving } from '../orders/moving/use-moving.ts';
import { useMarketOrders, type MarketOrders } from '../orders/use-market-orders.ts';
import { useDraft } from '../page/draft-context.tsx';
import { useNotation, useRelease } from '../page/page-context.tsx';
import type { SpendScale } from '../spend-line/scale.ts';

const noQuery = {};

interface NetAsked {
  marketId: string;
  /** whose goal is moved, where it has one that can be weighed */
  offerId: string | undefined;
  /** what releases changed, newest first */
  steps: readonly DatedStep[];
  scale: SpendScale;
}

/**
 * What the goal would bring or cost a month wherever it is moved, thinly over the spend line; worked out from the market’s orders
 * under its assumptions, as at Orders. Where no goal can be moved, what one more would bring.
 */
const NetLine = memo(function NetLine({ marketId, offerId, steps, scale }: NetAsked) {
  const draft = useDraft((state) => state.saved.policy);
  const release = useRelease();
  const { orders, problem } = useMarketOrders(marketId, noQuery);
  const asked = useMemo(() => {
    const found = goalToWeigh({ draft, release: release?.policy ?? null, steps }, marketId, offerId);
    return typeof found !== 'string' && found.present !== null && found.goal.measure === 'value' ? found : null;
  }, [draft, release, steps, marketId, offerId]);
  if (problem)
    return <Said scale={scale} text="what a goal would bring cannot be said: the orders could not be read" />;
  if (orders?.market !== marketId) return null;
  if (!orders.study.summary)
    return <Said scale={scale} text="what a goal would bring cannot be said: there are no orders" />;
  return asked ? (
    <Moved key={marketId} asked={asked} orders={orders} scale={scale} />
  ) : (
    <OneMore orders={orders} scale={scale} />
  );
});

const useAssumption = (marketId: string) => useDraft((state) => state.saved.policy.assumptions?.[marketId]);

function Moved({ asked, orders, scale }: { asked: AskedGoal; orders: MarketOrders; scale: SpendScale }) {
  const { market, bounds } = orders;
  const assumption = useAssumption(market);
  const { moving, problem } = useMoving(market, asked, allOrders, monthsOf(allOrders, bounds), assumption);
  const points = useMemo(
    () =>
      (moving?.curve.along ?? []).flatMap(({ candidate, net }) =>
        candidate !== null && candidate <= scale.end ? [{ goal: candidate, net }] : [],
      ),
    [moving, scale.end],
  );
  if (problem) return <Said scale={scale} text={`what moving the goal would bring cannot be said: ${problem}`} />;
  return points.length > 1 ? (
    <Line
      scale={scale}
      points={points}
      what={`moving “${asked.goal.name}”`}
      provided={assumption?.lost ? '' : ', if no order stays away'}
      nowhere="nowhere more than where it is"
    />
  ) : null;
}

function OneMore({ orders: { market, bounds, study }, scale }: { orders: MarketOrders; scale: SpendScale }) {
  const assumption = useAssumption(market);
  const points = useMemo(() => {
    const until = Math.min(study.end, scale.end);
    const response = responseOf(assumption ?? usualAssumption);
    const curve = candidateCurve(study.tally, monthsOf(study.filter, bounds), response, niceStep(until / 160), until);
    return curve.map(({ goals, net }) => ({ goal: goals[0]!.goal, net }));
  }, [study, bounds, assumption, scale.end]);
  return points.length > 1 ? (
    <Line
      scale={scale}
      points={points}
      what="one more goal"
      provided=""
      nowhere="no amount brings more than it costs"
    />
  ) : null;
}

function Said({ scale, text }: { scale: SpendScale; text: string }) {
  return (
    <text x={scale.right} y={scale.top - 16} textAnchor="end" fontSize="12" className="fill-warning">
      {text}
    </text>
  );
}

interface NetPoint {
  /** minor units */
  goal: number;
  net: number;
}

function Line({
  scale,
  points,
  what,
  provided,
  nowhere,
}: {
  scale: SpendScale;
  points: readonly NetPoint[];
  /** whose net it is */
  what: string;
  /** what is said beside the most that it brings */
  provided: string;
  /** said where nothing is gained */
  nowhere: string;
}) {
  const { money } = useNotation();
  const best = points.reduce((most, point) => (point.net > most.net ? point : most));
  const lowest = points.reduce((least, { net }) => Math.min(least, net), 0);
  const reach = best.net > 0 ? best.net : Math.max(1, -lowest);
  const middle = (scale.top + scale.bottom) / 2;
  const y = (net: number) => middle - (net / reach) * (scale.bottom - scale.top) * 0.42;
  const x = ({ goal }: NetPoint) => scale.x(goal);
  let path = '';
  let drawing = false;
  for (const point of points) {
    // What lies below the picture is left out, not laid along its edge.
    const inside = point.net >= -reach;
    if (inside) path += `${drawing ? 'L' : 'M'}${x(point).toFixed(1)} ${y(point.net).toFixed(1)}`;
    drawing = inside;
  }
  const goal = money(best.goal, scale.currency);
  const amount = money(Math.round(best.net), scale.currency);
  const said = best.net > 0 ? `most at ${goal}: ${amount} a month${provided}` : nowhere;
  const roomy = scale.right - scale.left > 480;
  const label = 'fill-ember [paint-order:stroke] [stroke-width:3px] [stroke:var(--color-base-100)]';
  const right = x(best) > (scale.left + scale.right) / 2;
  return (
    <g role="img" aria-label={`Net of ${what} at each amount, ${said}`} data-testid="net-line">
      <line
        x1={scale.left}
        x2={scale.right}
        y1={middle}
        y2={middle}
        className="stroke-ember"
        strokeWidth="0.75"
        strokeDasharray="1 5"
      />
      <path d={path} fill="none" className="stroke-ember" strokeWidth="1.2" />
      <circle cx={x(best)} cy={y(best.net)} r="3" className="fill-ember" />
      {roomy ? (
        <text
          x={x(best) + (right ? -7 : 7)}
          y={y(best.net) - 6}
          textAnchor={right ? 'end' : 'start'}
          fontSize="12"
          className={label}
        >
          net of {what}: {said}
        </text>
      ) : (
        <text x={scale.right} y={scale.top - 16} textAnchor="end" fontSize="12" className={label}>
          net: {said}
        </text>
      )}
      <text x={scale.right} y={middle - 4} textAnchor="end" fontSize="11" className="fill-ember">
        net 0
      </text>
    </g>
  );
}

export default NetLine;
