import { linearScale, type LinearScale } from '../../ui/chart/linear-scale.ts';
import { niceStep } from '../../core/orders/nice-step.ts';
import type { LineScale } from '../spend-line/scale.ts';

export const height = 258;
/** px: the chart below the picture keeps to the same sides */
export const margin = { left: 52, right: 14, top: 48 };
const histogramHeight = 190;

/** The picture of orders: how many at each value. */
export interface OrderScale extends LineScale {
  /** foot of the histogram, where poles stand */
  foot: number;
  countY: LinearScale;
}

/** What an axis of orders has to show. */
interface Shown {
  /** the last value of the axis, minor units */
  end: number;
  bandWidth: number;
  /** orders in the highest band */
  most: number;
}

export function orderScale(width: number, currency: string, { end, bandWidth, most }: Shown): OrderScale {
  const left = margin.left;
  const right = Math.max(left + 100, width - margin.right);
  const foot = margin.top + histogramHeight;
  return {
    currency,
    x: linearScale([0, end], [left, right]),
    end,
    left,
    right,
    top: margin.top,
    foot,
    bottom: foot,
    bandWidth,
    step: niceStep(end / (right - left) / 1.5),
    countY: linearScale([0, Math.max(1, most) * 1.06], [foot, margin.top]),
  };
}
