import type { OrderColumns } from '../orders/columns.ts';
import { isoWeekday } from '../time/day.ts';
import type { FigureTerms } from './figures/figure.ts';
import { figureKinds, type FigureId } from './figures/registry.ts';
import type { Window } from './matched-weeks.ts';

/** A figure of one day or week. */
export interface SeriesPoint {
  /** its first day */
  day: number;
  orders: number;
  /** null: of no order is it known */
  value: number | null;
}

/**
 * A figure day by day, or week by week from Monday on; weeks that are not whole within the window are left out.
 *
 * @param window days that are drawn
 */
export function seriesOf(
  columns: OrderColumns,
  id: FigureId,
  terms: FigureTerms,
  window: Window,
  step: 'day' | 'week',
): SeriesPoint[] {
  const { of, value } = figureKinds[id];
  const length = step === 'day' ? 1 : 7;
  const first = step === 'day' ? window.from : window.from + ((8 - isoWeekday(window.from)) % 7);
  const points = Math.max(0, Math.floor((window.to - first) / length));
  const [sums, known, orders] = [new Float64Array(points), new Float64Array(points), new Float64Array(points)];
  for (let index = 0; index < columns.count; index++) {
    const place = Math.floor((columns.day[index]! - first) / length);
    if (place < 0 || place >= points) continue;
    orders[place]!++;
    const one = value(columns, index, terms);
    if (Number.isNaN(one)) continue;
    sums[place]! += one;
    known[place]!++;
  }
  return Array.from({ length: points }, (_, place) => {
    const members = of === 'day' ? length : known[place]!;
    return { day: first + place * length, orders: orders[place]!, value: members > 0 ? sums[place]! / members : null };
  });
}
