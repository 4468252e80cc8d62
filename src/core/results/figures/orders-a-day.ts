import type { FigureKind } from './figure.ts';

export const ordersADay: FigureKind = {
  name: 'orders a day',
  unit: 'count',
  of: 'day',
  means: 'orders placed on a day of the store’s clock',
  value: () => 1,
};
