import { scaleLinear, type ScaleLinear } from 'd3-scale';
import { niceStep } from '../../core/orders/nice-step.ts';
import type { LineScale } from '../spend-line/scale.ts';

export const height = 392;
const margin = { left: 52, right: 14, top: 48 };
const histogramHeight = 190;
const gap = 40;
const netHeight = 96;

/** The picture of orders: how many above, and below it on the same line what a goal would cost and bring. */
export interface OrderScale extends LineScale {
  /** foot of the histogram; `bottom` is that of the whole picture, so that poles stand through both */
  foot: number;
  netTop: number;
  countY: ScaleLinear<number, number>;
  /** amounts a month */
  netY: ScaleLinear<number, number>;
}

/** What an axis of orders has to show. */
interface Shown {
  /** the last value of the axis, minor units */
  end: number;
  bandWidth: number;
  /** orders in the highest band */
  most: number;
  /** amounts a month */
  lowest: number;
  highest: number;
}

export function orderScale(
  width: number,
  currency: string,
  { end, bandWidth, most, lowest, highest }: Shown,
): OrderScale {
  const left = margin.left;
  const right = Math.max(left + 100, width - margin.right);
  const foot = margin.top + histogramHeight;
  const netTop = foot + gap;
  const bottom = netTop + netHeight;
  return {
    currency,
    x: scaleLinear([0, end], [left, right]),
    end,
    left,
    right,
    top: margin.top,
    foot,
    netTop,
    bottom,
    bandWidth,
    step: niceStep(end / (right - left) / 1.5),
    countY: scaleLinear([0, Math.max(1, most) * 1.06], [foot, margin.top]),
    netY: scaleLinear([Math.min(0, lowest), Math.max(1, highest)], [bottom, netTop]).nice(3),
  };
}
