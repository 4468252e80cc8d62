import type { OrderColumns } from '../../orders/columns.ts';
import type { FigureKind, FigureTerms } from './figure.ts';

/** What an order that paid nothing would usually have paid for its delivery. Minor units; NaN: not known */
export function givenAwayBy({ delivery, option }: OrderColumns, index: number, { usualPrice }: FigureTerms): number {
  const paid = delivery[index]!;
  if (paid < 0) return NaN;
  return paid > 0 ? 0 : usualPrice[option[index]!]!;
}

export const givenAway: FigureKind = {
  name: 'delivery given away',
  unit: 'money',
  of: 'order',
  means:
    'for an order that paid nothing, what others paid on average for the same option in both windows; 0 for one that paid',
  value: givenAwayBy,
};
