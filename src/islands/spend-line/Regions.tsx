import { ordersBelow, reachFrom, type Distribution } from '../../core/orders/distribution.ts';
import type { SpendScale } from './scale.ts';

/** The stretch within reach below a goal, hatched, and the shares of orders below, within reach and above. */
export function Regions({
  scale,
  goal,
  distribution,
  percent,
}: {
  scale: SpendScale;
  goal: number;
  distribution: Distribution | null;
  percent: (share: number) => string;
}) {
  const from = scale.x(Math.min(scale.end, Math.max(0, reachFrom(goal))));
  const to = scale.x(Math.min(scale.end, goal));
  const y = scale.bottom + 34;
  const shares = distribution && distribution.orders > 0 ? sharesAround(distribution, goal) : null;
  const middle = (from + to) / 2;
  return (
    <g>
      <rect
        x={from}
        y={scale.top}
        width={Math.max(0, to - from)}
        height={scale.bottom - scale.top}
        fill="url(#within-reach)"
      />
      {shares && (
        <g fontSize="12.5" data-testid="shares">
          <line x1={from} x2={to} y1={y - 12} y2={y - 12} className="stroke-accent" strokeWidth="2" />
          <text x={Math.min(from - 8, middle - 64)} y={y} textAnchor="end" className="fill-base-content">
            {percent(shares.below)} below
          </text>
          <text x={middle} y={y + 2} textAnchor="middle" className="fill-ember" fontWeight="600">
            {percent(shares.within)} within reach
          </text>
          <text x={Math.max(to + 8, middle + 64)} y={y} className="fill-base-content">
            {percent(shares.above)} there already
          </text>
        </g>
      )}
    </g>
  );
}

/** Shares of orders further below, within reach of and at or above a goal; they add up to 1. */
export function sharesAround(
  distribution: Distribution,
  goal: number,
): { below: number; within: number; above: number } {
  const far = ordersBelow(distribution, reachFrom(goal));
  const under = ordersBelow(distribution, goal);
  return {
    below: far / distribution.orders,
    within: (under - far) / distribution.orders,
    above: (distribution.orders - under) / distribution.orders,
  };
}
