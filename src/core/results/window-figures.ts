import type { OrderColumns } from '../orders/columns.ts';
import { Gathering, shareOf, type Running } from '../statistics/running.ts';
import type { Window } from './matched-weeks.ts';

/** What was ordered in a window, each figure so that it can be compared with that of another. Amounts in minor units. */
export interface WindowFigures {
  orders: number;
  /** goods value of an order */
  value: Running;
  /** 1 where an order reached the goal, else 0 */
  reaching: Running;
  /** what was paid for the delivery of an order, of those of which it is known */
  delivery: Running;
  /** 1 of an order that paid nothing for its delivery, of the same */
  free: Running;
  /** 1 of a shopper’s first order, of those of whom it is known */
  fresh: Running;
}

/**
 * The figures of a window.
 *
 * @param columns orders of one market and currency @param goal minor units; null: there was none, and nobody reaches it
 */
export function windowFigures(
  { count, goods, delivery, day, shopper }: OrderColumns,
  { from, to }: Window,
  goal: number | null,
): WindowFigures {
  const value = new Gathering();
  const paid = new Gathering();
  let [reaching, free, known, fresh] = [0, 0, 0, 0];
  for (let index = 0; index < count; index++) {
    if (day[index]! < from || day[index]! >= to) continue;
    value.add(goods[index]!);
    if (goal !== null && goods[index]! >= goal) reaching++;
    if (delivery[index]! >= 0) {
      paid.add(delivery[index]!);
      if (delivery[index] === 0) free++;
    }
    if (shopper[index] !== 0) {
      known++;
      if (shopper[index] === 1) fresh++;
    }
  }
  const [values, deliveries] = [value.gathered(), paid.gathered()];
  return {
    orders: values.count,
    value: values,
    reaching: shareOf(reaching, values.count),
    delivery: deliveries,
    free: shareOf(free, deliveries.count),
    fresh: shareOf(fresh, known),
  };
}
