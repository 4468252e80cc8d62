import { normalQuantile } from '../statistics/normal.ts';
import { usualCertainty } from '../statistics/sample-size.ts';
import { sampleOf, welchDifference } from '../statistics/welch.ts';
import { drawnAnew } from './drawn-anew.ts';
import { figureIds, figureKinds, type FigureId } from './figures/registry.ts';
import type { WindowFigure, WindowFigures } from './window-figures.ts';

/** How an average of one window differs from that of another, with a 95 % interval. */
export interface FigureDifference {
  difference: number;
  low: number;
  high: number;
  /** how the interval was found */
  by: 'welch' | 'drawnAnew';
}

/** Fewer members than that, and nothing is said: orders are skewed; days are sums of orders, and two weeks of them are enough. */
export const fewestMembers = { order: 30, day: 14 } as const;

/**
 * After less before, figure by figure. Shares, and averages of many, by Welch’s interval; amounts of fewer orders, which are
 * skewed, by samples drawn anew. Null with fewer than 30 orders or 14 days in a window, or where nothing scatters.
 */
export function compareFigures(before: WindowFigures, after: WindowFigures): Record<FigureId, FigureDifference | null> {
  const differences = {} as Record<FigureId, FigureDifference | null>;
  const together = new Map<string, FigureId[]>();
  for (const id of figureIds) {
    const [was, is] = [before.figures[id], after.figures[id]];
    const difference = welch(was, is, fewestMembers[figureKinds[id].of]);
    differences[id] = difference;
    if (!difference || figureKinds[id].unit !== 'money' || !was.values || !is.values) continue;
    const members = `${figureKinds[id].of} ${was.values.length} ${is.values.length}`;
    together.set(members, [...(together.get(members) ?? []), id]);
  }
  for (const ids of together.values()) {
    const valuesOf = (window: WindowFigures) => ids.map((id) => window.figures[id].values!);
    const intervals = drawnAnew({ before: valuesOf(before), after: valuesOf(after) });
    for (const [place, id] of ids.entries())
      differences[id] = { ...differences[id]!, ...intervals[place]!, by: 'drawnAnew' };
  }
  return differences;
}

function welch(
  { running: before }: WindowFigure,
  { running: after }: WindowFigure,
  fewest: number,
): FigureDifference | null {
  if (before.count < fewest || after.count < fewest) return null;
  const found = welchDifference(sampleOf(after), sampleOf(before));
  return found && { difference: found.difference, low: found.low, high: found.high, by: 'welch' };
}

/**
 * How many members both windows together would have to have for a difference as large as the one seen to be told from chance at
 * 80 % power: an interval narrows with the square root of the members. An estimate: what is seen may itself be chance.
 *
 * @param half of the interval now @returns null where it is told already, or would take more than a hundred times as many
 */
export function membersToTell(members: number, difference: number, half: number): number | null {
  const [once, power] = [normalQuantile(1 - usualCertainty.error / 2), normalQuantile(usualCertainty.power)];
  const times = ((half * (once + power)) / (once * Math.abs(difference))) ** 2;
  return half > Math.abs(difference) && times <= 100 ? Math.ceil(members * times) : null;
}
