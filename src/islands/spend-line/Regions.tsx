import { ordersBelow, reachFrom, type Distribution } from '../../core/orders/distribution.ts';
import { margin, type SpendScale } from './scale.ts';

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
  const { below, within, above } = placesOfShares(from, to, scale);
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
          <text x={below} y={y} textAnchor="end" className="fill-base-content">
            {percent(shares.below)} below
          </text>
          <text x={within} y={y + 2} textAnchor="middle" className="fill-ember" fontWeight="600">
            {percent(shares.within)} within reach
          </text>
          <text x={above} y={y} className="fill-base-content">
            {percent(shares.above)} there already
          </text>
        </g>
      )}
    </g>
  );
}

/** px that each of the three shares takes, and what the axis is called by at its end where there is room. */
const room = { below: 70, within: 64, above: 112, called: 112 };

/** Where the shares below, within and above stand: beside their stretch as far as none is cut off at the picture’s ends. */
function placesOfShares(from: number, to: number, { left, right }: SpendScale) {
  const last = right + margin.right - room.above - (right - left > 480 ? room.called : 0);
  const within = Math.max(room.below + room.within, Math.min((from + to) / 2, last - room.within));
  return {
    within,
    below: Math.max(room.below, Math.min(from - 8, within - room.within)),
    above: Math.min(last, Math.max(to + 8, within + room.within)),
  };
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
