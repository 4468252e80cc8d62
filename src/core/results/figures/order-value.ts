import type { FigureKind } from './figure.ts';

export const orderValue: FigureKind = {
  name: 'order value',
  unit: 'money',
  of: 'order',
  means: 'goods of an order after discounts',
  value: ({ goods }, index) => goods[index]!,
};
