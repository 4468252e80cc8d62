import type { OrderColumns } from '../orders/columns.ts';
import { runningOf, type Running } from '../statistics/running.ts';
import type { FigureTerms } from './figures/figure.ts';
import { figureIds, figureKinds, type FigureId } from './figures/registry.ts';
import type { Window } from './matched-weeks.ts';

/** One figure of a window. Money in minor units, shares of 1. */
export interface WindowFigure {
  running: Running;
  /** each member’s value; null where there are more than are drawn anew for an interval */
  values: Float64Array | null;
}

export interface WindowFigures {
  orders: number;
  /** orders of which a figure is not known */
  unknown: Record<FigureId, number>;
  figures: Record<FigureId, WindowFigure>;
}

/** Of more members the average is as good as normal, however skewed they are, and nothing is drawn anew. */
export const mostDrawn = 2000;

/**
 * All figures of a window.
 *
 * @param columns orders of one market and currency
 */
export function windowFigures(columns: OrderColumns, window: Window, terms: FigureTerms): WindowFigures {
  const inside = placesWithin(columns, window);
  const unknown = {} as Record<FigureId, number>;
  const figures = {} as Record<FigureId, WindowFigure>;
  for (const id of figureIds) {
    const values = membersOf(columns, inside, window, id, terms);
    unknown[id] = figureKinds[id].of === 'order' ? inside.length - values.length : 0;
    figures[id] = { running: runningOf(values), values: values.length <= mostDrawn ? values : null };
  }
  return { orders: inside.length, unknown, figures };
}

/** Where among the columns the orders of a window stand. */
export function placesWithin({ day, count }: OrderColumns, { from, to }: Window): Uint32Array {
  const places = new Uint32Array(count);
  let found = 0;
  for (let index = 0; index < count; index++) if (day[index]! >= from && day[index]! < to) places[found++] = index;
  return places.subarray(0, found);
}

/** What a figure is the average of. An order of which it is not known counts for nothing in a day. */
function membersOf(
  columns: OrderColumns,
  inside: Uint32Array,
  { from, to }: Window,
  id: FigureId,
  terms: FigureTerms,
): Float64Array {
  const { of, value } = figureKinds[id];
  const members = new Float64Array(of === 'day' ? to - from : inside.length);
  let known = 0;
  for (let place = 0; place < inside.length; place++) {
    const index = inside[place]!;
    const one = value(columns, index, terms);
    if (Number.isNaN(one)) continue;
    if (of === 'day') members[columns.day[index]! - from]! += one;
    else members[known++] = one;
  }
  return of === 'day' ? members : members.slice(0, known);
}
