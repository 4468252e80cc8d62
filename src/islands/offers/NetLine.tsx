import { memo, useMemo } from 'react';
import { candidateCurve, type Outcome } from '../../core/orders/candidates.ts';
import { niceStep } from '../../core/orders/nice-step.ts';
import { responseOf, usualAssumption } from '../../core/orders/response.ts';
import { useDraft } from '../page/draft-context.tsx';
import { useNotation } from '../page/page-context.tsx';
import { monthsOf } from '../../core/orders/period-months.ts';
import { useMarketOrders } from '../orders/use-market-orders.ts';
import type { SpendScale } from '../spend-line/scale.ts';

const allOrders = {};

/** What a goal at each amount would bring or cost a month, thinly over the spend line; worked out from the market's orders under its assumptions, as at Orders. */
const NetLine = memo(function NetLine({ marketId, scale }: { marketId: string; scale: SpendScale }) {
  const assumption = useDraft((state) => state.saved.policy.assumptions?.[marketId]);
  const { orders, problem } = useMarketOrders(marketId, allOrders);
  const study = orders?.market === marketId && orders.study.summary ? orders.study : null;
  const curve = useMemo(() => {
    if (!study || !orders) return null;
    const until = Math.min(study.end, scale.end);
    return candidateCurve(
      study.tally,
      monthsOf(study.filter, orders.bounds),
      responseOf(assumption ?? usualAssumption),
      niceStep(until / 160),
      until,
    );
  }, [study, orders, assumption, scale.end]);
  if (problem)
    return <Said scale={scale} text="what a goal would bring cannot be said: the orders could not be read" />;
  if (orders?.market === marketId && !study)
    return <Said scale={scale} text="what a goal would bring cannot be said: there are no orders" />;
  return curve && curve.length > 1 ? <Line scale={scale} curve={curve} /> : null;
});

function Said({ scale, text }: { scale: SpendScale; text: string }) {
  return (
    <text x={scale.right} y={scale.top - 16} textAnchor="end" fontSize="12" className="fill-warning">
      {text}
    </text>
  );
}

function Line({ scale, curve }: { scale: SpendScale; curve: readonly Outcome[] }) {
  const { money } = useNotation();
  const best = curve.reduce((most, outcome) => (outcome.net > most.net ? outcome : most));
  const lowest = curve.reduce((least, { net }) => Math.min(least, net), 0);
  const reach = best.net > 0 ? best.net : Math.max(1, -lowest);
  const middle = (scale.top + scale.bottom) / 2;
  const y = (net: number) => middle - (net / reach) * (scale.bottom - scale.top) * 0.42;
  const x = ({ goals }: Outcome) => scale.x(goals[0]!.goal);
  let path = '';
  let drawing = false;
  for (const outcome of curve) {
    // What lies below the picture is left out, not laid along its edge.
    const inside = outcome.net >= -reach;
    if (inside) path += `${drawing ? 'L' : 'M'}${x(outcome).toFixed(1)} ${y(outcome.net).toFixed(1)}`;
    drawing = inside;
  }
  const goal = money(best.goals[0]!.goal, scale.currency);
  const amount = money(Math.round(best.net), scale.currency);
  const said = best.net > 0 ? `most at ${goal}: ${amount} a month` : 'no amount brings more than it costs';
  const roomy = scale.right - scale.left > 480;
  const label = 'fill-ember [paint-order:stroke] [stroke-width:3px] [stroke:var(--color-base-100)]';
  const right = x(best) > (scale.left + scale.right) / 2;
  return (
    <g role="img" aria-label={`Net of a goal at each amount, ${said}`} data-testid="net-line">
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
          net of a goal: {said}
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
