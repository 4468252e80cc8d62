import type { OrderBounds } from '../../core/orders/study.ts';
import type { OrderFilter } from '../../core/orders/tally.ts';
import { dayNumber } from '../../core/time/day.ts';

/** What the address says is looked at; what it does not say is everything. */
export function filterOf(query: Record<string, string>, bounds: OrderBounds): OrderFilter {
  const day = (name: string, otherwise: number) => dayNumber(query[name] ?? '') ?? otherwise;
  const one = <T extends string>(name: string, accepted: readonly T[]): T =>
    accepted.find((value) => value === query[name]) ?? accepted[0]!;
  const fromDay = day('from', bounds.firstDay);
  return {
    fromDay,
    toDay: Math.max(fromDay, day('to', bounds.lastDay)) + 1,
    shopper: one('shopper', ['all', 'new', 'returning']),
    option: bounds.options.some(({ id }) => id === query.option) ? query.option! : null,
    delivery: one('delivery', ['all', 'paid', 'free']),
  };
}
