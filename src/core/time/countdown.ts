import { offsetAt } from './time-zone-clock.ts';

/** What is left until an instant, as a clock on the wall would have it. */
export interface TimeLeft {
  /** whole days on that clock: from noon to noon is one day, however many hours it has */
  days: number;
  hours: number;
  minutes: number;
  seconds: number;
}

const day = 86_400_000;

/**
 * What is left from one instant to a later one on the clock of a time zone: whole days of the calendar, and from there the
 * time that really passes, so that a day with 23 or 25 hours is counted as one day and the last hours are true.
 *
 * @param now ms since 1970-01-01T00:00Z @param until the same
 * @param clock IANA time zone
 * @returns null when nothing is left
 */
export function timeLeft(now: number, until: number, clock: string): TimeLeft | null {
  if (until <= now) return null;
  let days = Math.max(0, Math.floor((wall(clock, until) - wall(clock, now)) / day));
  // A change of clocks in between can make it one more or one less than their faces say.
  if (sameWallTimeLater(clock, now, days + 1) <= until) days++;
  else if (days > 0 && sameWallTimeLater(clock, now, days) > until) days--;
  const seconds = Math.floor((until - sameWallTimeLater(clock, now, days)) / 1000);
  return { days, hours: Math.floor(seconds / 3600), minutes: Math.floor(seconds / 60) % 60, seconds: seconds % 60 };
}

/** What the clock shows at an instant, as if it were UTC. ms */
const wall = (clock: string, instant: number): number => instant + offsetAt(clock, instant);

/**
 * The instant at which the clock shows the same time some days later: the earlier one of a time that comes twice; for one
 * that is skipped, as long after the jump as it lies within what is skipped.
 */
function sameWallTimeLater(clock: string, instant: number, days: number): number {
  if (days === 0) return instant;
  const shown = wall(clock, instant) + days * day;
  const before = shown - offsetAt(clock, shown - day);
  const after = shown - offsetAt(clock, shown + day);
  return wall(clock, before) !== shown && wall(clock, after) === shown ? after : before;
}
