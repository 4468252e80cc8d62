/** Days from one up to another, which is not among them. Days since 1970-01-01 on the store's clock */
export interface Window {
  from: number;
  to: number;
}

/** As many whole weeks before a change as after it, so that weekdays weigh the same. */
export interface MatchedWeeks {
  weeks: number;
  before: Window;
  after: Window;
}

/** More weeks than that are not compared: too much else changes meanwhile. */
const mostWeeks = 8;

/**
 * Whole weeks before and after a change. The day of the change is in neither: it is partly the one and partly the other.
 *
 * @param change day of the change @param known days of which orders are known
 * @param until the day of the next change, if there is one: nothing from then on is taken in
 * @returns null where there is not a whole week on both sides
 */
export function matchedWeeks(change: number, known: Window, until: number | null = null): MatchedWeeks | null {
  const end = Math.min(known.to, until ?? known.to);
  const weeks = Math.min(mostWeeks, wholeWeeks(change - known.from), wholeWeeks(end - (change + 1)));
  if (weeks < 1) return null;
  const days = weeks * 7;
  return { weeks, before: { from: change - days, to: change }, after: { from: change + 1, to: change + 1 + days } };
}

const wholeWeeks = (days: number): number => Math.floor(days / 7);
