import { memo, useMemo } from 'react';
import { bands, type Distribution } from '../../core/orders/distribution.ts';
import type { SpendScale } from './scale.ts';

/** The market's orders by value, behind everything. */
export const Histogram = memo(function Histogram({ scale, distribution }: { scale: SpendScale; distribution: Distribution }) {
  const bars = useMemo(() => bands(distribution, scale.bandWidth, scale.end), [distribution, scale.bandWidth, scale.end]);
  const highest = Math.max(1, ...bars.map((bar) => bar.orders));
  const room = (scale.bottom - scale.top) * 0.86;
  return (
    <g className="fill-bar">
      {bars.map((bar) => {
        const x = scale.x(bar.from);
        const size = (bar.orders / highest) * room;
        return <rect key={bar.from} x={x} y={scale.bottom - size} width={Math.max(0.5, scale.x(bar.to) - x - 1)} height={size} />;
      })}
    </g>
  );
});
