import type { OrderColumns } from '../../orders/columns.ts';
import { boundsOf } from '../../orders/study.ts';
import { figureKinds, type FigureId } from '../../results/figures/registry.ts';
import type { Window } from '../../results/matched-weeks.ts';
import { placesWithin } from '../../results/window-figures.ts';
import { usualPrices } from '../../results/usual-prices.ts';
import { runningOf } from '../../statistics/running.ts';
import { isoWeekday } from '../../time/day.ts';

/** What an experiment is planned with. */
export interface Pace {
  orders: number;
  /** days since 1970-01-01, whole weeks: what it was read from */
  days: Window;
  /** orders of a usual Monday, Tuesday … Sunday */
  week: readonly number[];
  /** of a single order, minor units; null: of fewer than two orders nothing is known */
  deviation: Readonly<Record<'orderValue' | 'margin', number | null>>;
  average: Readonly<Record<'orderValue' | 'margin', number>>;
}

const mostWeeks = 12;

/**
 * How many orders come in a usual week, and how far they scatter: by the last twelve whole weeks that orders are known of.
 *
 * @param columns orders of a market @param margin share of goods that stays
 */
export function paceOf(columns: OrderColumns, margin: number): Pace | null {
  const { firstDay: first, lastDay: last, orders } = boundsOf(columns);
  if (orders === 0) return null;
  const weeks = Math.min(mostWeeks, Math.floor((last + 1 - first) / 7));
  if (weeks < 1) return null;
  const days = { from: last + 1 - weeks * 7, to: last + 1 };
  const places = placesWithin(columns, days);
  const week = [0, 0, 0, 0, 0, 0, 0];
  for (const index of places) week[isoWeekday(columns.day[index]!) - 1]! += 1 / weeks;
  const terms = { goalOn: () => null, usualPrice: usualPrices(columns, [days]), margin };
  const of = (figure: FigureId) => {
    const values = [...places].map((index) => figureKinds[figure].value(columns, index, terms));
    return runningOf(values.filter((value) => !Number.isNaN(value)));
  };
  const [value, left] = [of('orderValue'), of('margin')];
  const deviation = ({ count, squares }: typeof value) => (count < 2 ? null : Math.sqrt(squares / (count - 1)));
  return {
    orders: places.length,
    days,
    week,
    deviation: { orderValue: deviation(value), margin: deviation(left) },
    average: { orderValue: value.mean, margin: left.mean },
  };
}
