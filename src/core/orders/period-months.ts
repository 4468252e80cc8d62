import type { OrderSpan } from './study.ts';
import type { OrderFilter } from './tally.ts';

/** Days of an average month, by which a period becomes months: 365.25 ÷ 12. */
export const daysPerMonth = 30.4375;

/** Length of a filter's period in months, of which orders are known at all. */
export function monthsOf({ fromDay, toDay }: OrderFilter, bounds: OrderSpan): number {
  const days = Math.min(toDay, bounds.lastDay + 1) - Math.max(fromDay, bounds.firstDay);
  return Math.max(1, days) / daysPerMonth;
}
