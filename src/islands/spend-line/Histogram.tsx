import { memo, useMemo } from 'react';
import { bands, type Distribution } from '../../core/orders/distribution.ts';
import type { SpendScale } from './scale.ts';

/** The market's orders by value, behind everything. */
export const Histogram = memo(function Histogram({
  scale,
  distribution,
}: {
  scale: SpendScale;
  distribution: Distribution;
}) {
  const bars = useMemo(
    () => bands(distribution, scale.bandWidth, scale.end),
    [distribution, scale.bandWidth, scale.end],
  );
  const highest = Math.max(1, ...bars.map((bar) => bar.orders));
  const room = (scale.bottom - scale.top) * 0.86;
  const outline = bars.map(({ from, to, orders }) => {
    const [left, size] = [scale.x(from), (orders / highest) * room];
    const width = Math.max(0.5, scale.x(to) - left - 1);
    return `M${left.toFixed(1)} ${scale.bottom}v${(-size).toFixed(1)}h${width.toFixed(1)}V${scale.bottom}z`;
  });
  // One shape, not one for each band: it is passed over quickly while something else is dragged over it.
  return <path d={outline.join('')} className="fill-bar" data-testid="histogram" />;
});
