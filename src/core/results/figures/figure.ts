import type { OrderColumns } from '../../orders/columns.ts';

/** What a figure is worked out with. Amounts in minor units of the market’s currency. */
export interface FigureTerms {
  /** the goal in force on a day (days since 1970-01-01); null: none */
  goalOn: (day: number) => number | null;
  /** what delivery by an option usually costs, by its place among the columns’ options; NaN: not known */
  usualPrice: ArrayLike<number>;
  /** share of goods that stays as margin: 0.45 */
  margin: number;
}

export type FigureUnit = 'money' | 'share' | 'count';

/** A kind of figure that a window of orders has. */
export interface FigureKind {
  /** as headings say it */
  name: string;
  unit: FigureUnit;
  /** what it is the average of: orders, or whole days with what all their orders come to */
  of: 'order' | 'day';
  /** what it is made of, after its name and a colon */
  means: string;
  /** of one order; NaN: not known */
  value: (orders: OrderColumns, index: number, terms: FigureTerms) => number;
}
