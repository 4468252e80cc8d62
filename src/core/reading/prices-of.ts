import type { ReadOptions } from './read-options.ts';
import { priceUnder } from './read-rule.ts';
import { measuredOf, type ReadableOrders } from './readable-orders.ts';

/** What each order would pay under rules that were read, on its day and by its option; null: they say nothing of it. */
export function pricesOf(orders: ReadableOrders, { options }: ReadOptions): (place: number) => number | null {
  const { columns } = orders;
  const measured = measuredOf(orders);
  const rules = new Map(options.map(({ option, read }) => [columns.options.indexOf(option), read.rules]));
  return (place) => {
    const day = columns.day[place]!;
    const dated = rules.get(columns.option[place]!)?.find(({ from, to }) => day >= from && day < to);
    return dated ? priceUnder(dated.rule, measured, place) : null;
  };
}
