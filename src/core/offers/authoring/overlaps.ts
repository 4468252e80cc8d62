import type { TimeSpan } from '../../time/schedule.ts';

/** The stretch two spans share; null when they share none. Half-open, ms since 1970-01-01T00:00Z. */
export function overlapOf(a: TimeSpan, b: TimeSpan): TimeSpan | null {
  const shared = { from: Math.max(a.from, b.from), until: Math.min(a.until, b.until) };
  return shared.from < shared.until ? shared : null;
}

/** The first moments of months around spans, from that before `now` to that after the last end, at least `least` of them and at most 36. UTC. */
export function monthsAround(spans: readonly TimeSpan[], now: number, least: number): number[] {
  const ends = spans.flatMap(({ from, until }) => [from, until]).filter(Number.isFinite);
  const start = new Date(Math.min(now, ...ends.filter((end) => end > now - 365 * 86_400_000)));
  const last = Math.max(now, ...ends);
  const months: number[] = [];
  for (let index = -1; months.length < 36; index++) {
    const month = Date.UTC(start.getUTCFullYear(), start.getUTCMonth() + index, 1);
    months.push(month);
    if (month > last && months.length > least) break;
  }
  return months;
}
