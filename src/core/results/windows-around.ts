import { matchedWeeks, type Window } from './matched-weeks.ts';
import type { Windows } from './study-change.ts';

/** What a window after a change is compared with: the weeks just before it, or the same weeks a year earlier. */
export type Base = 'before' | 'yearBefore';

/** 52 whole weeks, so that weekdays stand where they stood. Days */
const year = 364;

/**
 * Whole weeks after a change and as many to compare them with.
 *
 * @param change day of the change @param known days of which orders are known
 * @param free days around the change in which nothing else was changed: the weeks before it and after it stay inside
 * @param weeks wanted; null: as many as there are
 * @returns null where there is not a whole week on both sides; `most` weeks that could be wanted
 */
export function windowsAround(
  change: number,
  { known, free, base, weeks }: { known: Window; free: Window; base: Base; weeks: number | null },
): { windows: Windows; weeks: number; most: number } | null {
  const inside: Window = { from: Math.max(known.from, free.from), to: Math.min(known.to, free.to) };
  const most = base === 'before' ? (matchedWeeks(change, inside)?.weeks ?? 0) : weeksOfYears(change, known, inside);
  if (most < 1) return null;
  const taken = Math.min(most, Math.max(1, weeks ?? most));
  const after: Window = { from: change + 1, to: change + 1 + taken * 7 };
  const before: Window =
    base === 'before' ? { from: change - taken * 7, to: change } : { from: after.from - year, to: after.to - year };
  return { windows: { before, after }, weeks: taken, most };
}

/** The days before the change may be anything: they are not looked at. */
function weeksOfYears(change: number, known: Window, { to }: Window): number {
  if (change + 1 - year < known.from) return 0;
  return matchedWeeks(change, { from: change - year, to })?.weeks ?? 0;
}
