import type { FigureKind } from './figure.ts';
import { margin } from './margin.ts';

export const marginADay: FigureKind = {
  name: 'margin net of delivery a day',
  unit: 'money',
  of: 'day',
  means: 'the same of all orders of a day, so that orders gained or lost count as well',
  value: (orders, index, terms) => margin.value(orders, index, terms),
};
