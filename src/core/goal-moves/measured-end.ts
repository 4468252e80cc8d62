import { valueAtShare } from '../orders/distribution.ts';
import type { MeasuredOrders } from './measured-orders.ts';

/** Nearly all orders lie below. */
const nearlyAll = 0.985;

/** Up to where a goal is looked at: beyond nearly all orders, in the measure. */
export function measuredEnd(orders: readonly MeasuredOrders[]): number {
  const furthest = orders.reduce((most, { tally }) => Math.max(most, valueAtShare(tally, nearlyAll)), 0);
  return orders[0]?.measure === 'items' ? furthest + 1 : furthest * 1.04;
}
