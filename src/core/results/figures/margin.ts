import type { FigureKind } from './figure.ts';
import { givenAwayBy } from './given-away.ts';

export const margin: FigureKind = {
  name: 'margin net of delivery',
  unit: 'money',
  of: 'order',
  means: 'the margin that goods leave, less the delivery given away',
  value: (orders, index, terms) => orders.goods[index]! * terms.margin - givenAwayBy(orders, index, terms),
};
