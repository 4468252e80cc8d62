import { deliveryPaid } from './delivery-paid.ts';
import type { FigureKind } from './figure.ts';
import { givenAway } from './given-away.ts';
import { items } from './items.ts';
import { marginADay } from './margin-a-day.ts';
import { margin } from './margin.ts';
import { newShoppers } from './new-shoppers.ts';
import { orderValue } from './order-value.ts';
import { ordersADay } from './orders-a-day.ts';
import { reaching } from './reaching.ts';

/** All figures, in the order in which they are read. */
export const figureKinds = {
  orderValue,
  reaching,
  deliveryPaid,
  givenAway,
  margin,
  items,
  newShoppers,
  ordersADay,
  marginADay,
} satisfies Record<string, FigureKind>;

export type FigureId = keyof typeof figureKinds;

export const figureIds = Object.keys(figureKinds) as FigureId[];

export const isFigureId = (id: string): id is FigureId => Object.hasOwn(figureKinds, id);
