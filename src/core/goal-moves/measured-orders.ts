import type { OrderColumns } from '../orders/columns.ts';
import { goalOn, type GoalTimeline } from '../orders/goal-timeline.ts';
import { passer, sumBelow, tallyBy, type OrderFilter, type Tally } from '../orders/tally.ts';

/** So many orders have to be known of before they contradict what is stated. */
const fewestKnown = 30;

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
  /** what one who has reached the goal still pays for delivery on average, minor units: by options that it does not make free */
  kept: number;
}

/** Which goal was in force when, and for what. */
export interface GoalOverTime {
  measure: GoalMeasure;
  /** in the measure, oldest first */
  timeline: GoalTimeline;
  /** options that reaching it makes free; null: all */
  makesFree: readonly string[] | null;
}

/** Orders of a period, apart by the goal that was in force, as far as they can be measured. */
export function measuredOver(
  columns: OrderColumns,
  filter: OrderFilter,
  { measure, timeline, makesFree }: GoalOverTime,
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
  for (let i = 0; i < columns.count; i++) {
    // Of orders whose pieces are not known nothing can be said.
    if (!passes(i) || (measure === 'items' && measured[i] === 0)) continue;
    const goal = goalAt(columns.day[i]!);
    const places = goals.get(goal);
    if (places) places.push(i);
    else goals.set(goal, [i]);
  }
  return [...goals].map(([stated, places]) => {
    const tally = tallyBy(columns, measured, places);
    const goal =
      stated !== null && heldByOrders(columns, measured, places, { goal: stated, makesFree }) ? stated : null;
    const kept = goal === null ? paidForOthers(columns, places, makesFree) : paidFrom(tally, goal);
    return measure === 'value' ? byValue(tally, goal, kept) : byItems(columns, places, tally, { goal, kept });
  });
}

/**
 * Whether orders bear out that a goal was in force: where it is known of enough that reached it, most had delivery free. A goal
 * that was agreed on, and not yet given, did nothing to orders.
 */
function heldByOrders(
  { delivery, option, options }: OrderColumns,
  measured: ArrayLike<number>,
  places: readonly number[],
  { goal, makesFree }: { goal: number; makesFree: readonly string[] | null },
): boolean {
  let [known, free] = [0, 0];
  for (const place of places) {
    if (measured[place]! < goal || delivery[place]! < 0) continue;
    if (makesFree && !makesFree.includes(options[option[place]!]!)) continue;
    known++;
    if (delivery[place] === 0) free++;
  }
  return known < fewestKnown || free * 2 >= known;
}

/** What orders that have reached the goal in force pay on average. */
function paidFrom(tally: Tally, goal: number): number {
  const rest = (sums: Float64Array) => (sums.at(-1) ?? 0) - sumBelow(tally, sums, goal);
  const orders = rest(tally.paying) + rest(tally.free);
  return orders === 0 ? 0 : rest(tally.paid) / orders;
}

/** What orders pay on average for options that the goal would not make free. */
function paidForOthers(
  { delivery, option, options }: OrderColumns,
  places: readonly number[],
  makesFree: readonly string[] | null,
): number {
  if (!makesFree) return 0;
  let [paid, known] = [0, 0];
  for (const place of places) {
    if (delivery[place]! < 0) continue;
    known++;
    if (!makesFree.includes(options[option[place]!]!)) paid += delivery[place]!;
  }
  return known === 0 ? 0 : paid / known;
}

/** Orders by their value. @param goal that was in force, minor units; null: none */
export const byValue = (tally: Tally, goal: number | null, kept = 0): MeasuredOrders => ({
  measure: 'value',
  goal,
  tally,
  goods: tally.values,
  unit: 1,
  kept,
});

function byItems(
  { goods, items }: OrderColumns,
  places: readonly number[],
  tally: Tally,
  rest: Pick<MeasuredOrders, 'goal' | 'kept'>,
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
    ...rest,
    measure: 'items',
    tally,
    goods: tally.values.map((count) => {
      const sum = sums.get(count)!;
      return sum.goods / sum.orders;
    }),
    unit: pieces === 0 ? 0 : worth / pieces,
  };
}
