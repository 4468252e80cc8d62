import type { OrderColumns } from '../orders/columns.ts';
import { goalOn, type GoalTimeline } from '../orders/goal-timeline.ts';
import { passer, tallyBy, tallyOf, type OrderFilter, type Tally } from '../orders/tally.ts';

/** What a goal counts of an order. */
export type GoalMeasure = 'value' | 'items';

/** Orders of days on which one goal was in force, by what the goal counts. */
export interface MeasuredOrders {
  measure: GoalMeasure;
  /** null: none */
  goal: number | null;
  /** by minor units, or by pieces */
  tally: Tally;
  /** what orders of each measured value are worth on average, minor units; along the tally’s values */
  goods: Float64Array;
  /** what one more of the measure is worth, minor units: 1 where values are measured, else what a piece costs on average */
  unit: number;
}

/**
 * Orders of a period, apart by the goal that was in force, as far as they can be measured.
 *
 * @param timeline goals in the measure, oldest first
 */
export function measuredOver(
  columns: OrderColumns,
  filter: OrderFilter,
  { measure, timeline }: { measure: GoalMeasure; timeline: GoalTimeline },
): MeasuredOrders[] {
  const inForce = goalOn(timeline);
  const goals = new Map<number | null, number[]>();
  const passes = passer(columns, filter);
  const measured = measure === 'value' ? columns.goods : columns.items;
  const goalOfDay = new Map<number, number | null>();
  const goalAt = (day: number) => {
    if (!goalOfDay.has(day)) goalOfDay.set(day, inForce(day));
    return goalOfDay.get(day)!;
  };
  if (measure === 'value' && timeline.length <= 1)
    return [byValue(tallyOf(columns, filter), timeline[0]?.goal ?? null)];
  for (let i = 0; i < columns.count; i++) {
    // Of orders whose pieces are not known nothing can be said.
    if (!passes(i) || (measure === 'items' && measured[i] === 0)) continue;
    const goal = goalAt(columns.day[i]!);
    const places = goals.get(goal);
    if (places) places.push(i);
    else goals.set(goal, [i]);
  }
  return [...goals].map(([goal, places]) => {
    const tally = tallyBy(columns, measured, places);
    return measure === 'value' ? byValue(tally, goal) : byItems(columns, places, tally, goal);
  });
}

/** Orders by their value. @param goal that was in force, minor units; null: none */
export const byValue = (tally: Tally, goal: number | null): MeasuredOrders => ({
  measure: 'value',
  goal,
  tally,
  goods: tally.values,
  unit: 1,
});

function byItems(
  { goods, items }: OrderColumns,
  places: readonly number[],
  tally: Tally,
  goal: number | null,
): MeasuredOrders {
  const sums = new Map<number, { orders: number; goods: number }>();
  let [pieces, worth] = [0, 0];
  for (const place of places) {
    const sum = sums.get(items[place]!) ?? { orders: 0, goods: 0 };
    sum.orders++;
    sum.goods += goods[place]!;
    sums.set(items[place]!, sum);
    pieces += items[place]!;
    worth += goods[place]!;
  }
  return {
    measure: 'items',
    goal,
    tally,
    goods: tally.values.map((count) => {
      const sum = sums.get(count)!;
      return sum.goods / sum.orders;
    }),
    unit: pieces === 0 ? 0 : worth / pieces,
  };
}
