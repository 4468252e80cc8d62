import type { FigureKind } from './figure.ts';

export const deliveryPaid: FigureKind = {
  name: 'delivery paid',
  unit: 'money',
  of: 'order',
  means: 'what an order paid for its delivery, 0 where it was free',
  value: ({ delivery }, index) => (delivery[index]! < 0 ? NaN : delivery[index]!),
};
