import { shopperNew } from '../../orders/columns.ts';
import type { FigureKind } from './figure.ts';

export const newShoppers: FigureKind = {
  name: 'new shoppers',
  unit: 'share',
  of: 'order',
  means: 'orders that are their shopper’s first, of those of which it is known',
  value: ({ shopper }, index) => {
    if (shopper[index] === 0) return NaN;
    return shopper[index] === shopperNew ? 1 : 0;
  },
};
