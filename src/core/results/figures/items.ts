import type { FigureKind } from './figure.ts';

export const items: FigureKind = {
  name: 'items',
  unit: 'count',
  of: 'order',
  means: 'pieces in an order, of those of which it is known',
  value: ({ items: pieces }, index) => pieces[index]! || NaN,
};
