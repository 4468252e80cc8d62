import { alongLine, stepOf } from '../../ui/arrow-keys.ts';
import { linearScale, type LinearScale } from '../../ui/chart/linear-scale.ts';
import { minorPerMajor } from '../../core/money/currency.ts';
import { niceStep } from '../../core/orders/nice-step.ts';
import { valueAtShare, type Distribution } from '../../core/orders/distribution.ts';
import type { Sweep } from '../../core/sweep/sweep.ts';

export const height = 262;
export const margin = { left: 46, right: 14, top: 34, bottom: 44 };

/** Where order values lie on a picture, in px. Amounts in minor units. */
export interface LineScale {
  currency: string;
  x: LinearScale;
  /** end of the order value axis */
  end: number;
  left: number;
  right: number;
  top: number;
  bottom: number;
  bandWidth: number;
  /** arrow keys and dragging move in this step */
  step: number;
}

/** The same with delivery prices upward. */
export interface SpendScale extends LineScale {
  priceY: LinearScale;
}

/** What an axis of spending has to show. */
interface Shown {
  distribution: Distribution | null;
  sweep: Sweep;
  /** the saved goal, so that the axis holds still while one is dragged */
  goal: number | null;
  /** the axis reaches so far at least */
  least?: number | undefined;
}

export function spendScale(
  width: number,
  currency: string,
  { distribution, sweep, goal, least = 50 * minorPerMajor(currency) }: Shown,
): SpendScale {
  const lastBreak = sweep.segments.at(-1)?.from ?? 0;
  const orders = distribution ? valueAtShare(distribution, 0.985) : 0;
  // Breaks far beyond all orders would squeeze the orders into a corner.
  const breaks = orders > 0 ? Math.min(lastBreak * 1.15, orders * 1.5) : lastBreak * 1.15;
  const wanted = Math.max(orders, (goal ?? 0) * 1.25, breaks, least);
  const bandWidth = niceStep(wanted / 64);
  const end = Math.ceil(wanted / bandWidth) * bandWidth;
  // Where nothing is offered, or all of it free, the axis still has figures to tell apart.
  const highest = Math.max(
    minorPerMajor(currency),
    ...sweep.segments
      .filter(({ from }) => from < end)
      .flatMap((segment) =>
        segment.options.map((price) =>
          Math.max(price?.before ?? 0, segment.to === null ? 0 : (price?.lastBefore ?? 0)),
        ),
      ),
  );
  const left = margin.left;
  const right = Math.max(left + 100, width - margin.right);
  const top = margin.top;
  const bottom = height - margin.bottom;
  return {
    currency,
    x: linearScale([0, end], [left, right]),
    priceY: linearScale([0, highest * 1.12], [bottom - 10, top + 8]),
    end,
    left,
    right,
    top,
    bottom,
    bandWidth,
    step: niceStep(end / (right - left) / 1.5),
  };
}

/** The order value at a place on the picture, to the step. */
export function valueAt(scale: LineScale, px: number, step = scale.step): number {
  const raw = scale.x.invert(Math.min(scale.right, Math.max(scale.left, px)));
  return Math.round(raw / step) * step;
}

/** A goal moved to a value: at least one minor unit, at most the axis' end. */
export function clampGoal(scale: LineScale, value: number): number {
  return Math.min(scale.end, Math.max(1, value));
}

/** How far a key moves along the line; null for keys that do not. */
export function keyMove(scale: LineScale, key: { key: string; shiftKey: boolean; altKey: boolean }): number | null {
  const along = alongLine(key.key);
  if (along !== 0) return along * stepOf(key, scale.step);
  if (key.key === 'PageUp') return scale.step * 10;
  if (key.key === 'PageDown') return -scale.step * 10;
  return null;
}
