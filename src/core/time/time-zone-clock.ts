import { dateOfDay, dayNumber, type DayNumber } from './day.ts';

/** A moment as a wall clock shows it. */
export interface LocalTime {
  day: DayNumber;
  /** minutes since midnight on the clock face */
  minute: number;
}

const msPerMinute = 60_000;
const msPerDay = 86_400_000;

interface ZoneClock {
  format: Intl.DateTimeFormat;
  /** offset at the beginning of a quarter of an hour */
  offsets: Map<number, number>;
  /** offset by day in UTC, NaN for a day on which it changes */
  days: Map<number, number>;
}

const clocks = new Map<string, ZoneClock>();
const quarter = 15 * msPerMinute;
const maxOffsets = 5000;

/** @throws RangeError for a name that is not an IANA time zone */
function clockOf(timeZone: string): ZoneClock {
  let clock = clocks.get(timeZone);
  if (!clock) {
    const format = new Intl.DateTimeFormat('en-US', {
      timeZone,
      hourCycle: 'h23',
      year: 'numeric',
      month: 'numeric',
      day: 'numeric',
      hour: 'numeric',
      minute: 'numeric',
      second: 'numeric',
    });
    clock = { format, offsets: new Map(), days: new Map() };
    clocks.set(timeZone, clock);
  }
  return clock;
}

export function isTimeZone(name: string): boolean {
  try {
    clockOf(name);
    return true;
  } catch {
    return false;
  }
}

/**
 * How far the zone's clocks are ahead of UTC at an instant, in ms. From the platform's IANA time-zone data, daylight
 * saving included.
 *
 * @param instant ms since 1970-01-01T00:00Z
 */
export function offsetAt(timeZone: string, instant: number): number {
  const clock = clockOf(timeZone);
  const day = Math.floor(instant / msPerDay);
  let offset = clock.days.get(day);
  if (offset === undefined) {
    const first = offsetOfQuarter(clock, day * msPerDay);
    offset = first === offsetOfQuarter(clock, (day + 1) * msPerDay) ? first : NaN;
    if (clock.days.size >= maxOffsets) clock.days.clear();
    clock.days.set(day, offset);
  }
  return Number.isNaN(offset) ? offsetOnDayOfChange(clock, instant) : offset;
}

/** Clocks change on a quarter of an hour, but some once did a minute after it: Newfoundland at 00:01 until 2011. */
function offsetOnDayOfChange(clock: ZoneClock, instant: number): number {
  const offset = offsetOfQuarter(clock, instant);
  return offset === offsetOfQuarter(clock, instant + quarter)
    ? offset
    : offsetOfMinute(clock, Math.floor(instant / msPerMinute) * msPerMinute);
}

function offsetOfMinute({ format }: ZoneClock, instant: number): number {
  const parts: Record<string, number> = {};
  for (const { type, value } of format.formatToParts(instant)) parts[type] = Number(value);
  return Date.UTC(parts.year!, parts.month! - 1, parts.day!, parts.hour!, parts.minute!, parts.second!) - instant;
}

function offsetOfQuarter(clock: ZoneClock, instant: number): number {
  const { offsets } = clock;
  const key = Math.floor(instant / quarter);
  const known = offsets.get(key);
  if (known !== undefined) return known;
  const offset = offsetOfMinute(clock, key * quarter);
  if (offsets.size >= maxOffsets) offsets.clear();
  offsets.set(key, offset);
  return offset;
}

export function localTime(timeZone: string, instant: number): LocalTime {
  const shown = instant + offsetAt(timeZone, instant);
  const day = Math.floor(shown / msPerDay);
  return { day, minute: Math.floor((shown - day * msPerDay) / msPerMinute) };
}

/**
 * The instant at which a zone's clocks show a local time. A time that clocks skip is taken as the moment they jump
 * over it; one that they show twice is its earlier or later showing, as asked for.
 *
 * @param local ISO 8601 to the minute without zone, such as 2026-03-29T02:30
 * @returns ms since 1970-01-01T00:00Z @throws RangeError when it is not a local time
 */
export function instantOfLocal(timeZone: string, local: string, whenTwice: 'earlier' | 'later'): number {
  const day = dayNumber(local.slice(0, 10));
  const time = /^T(\d{2}):(\d{2})$/.exec(local.slice(10));
  if (day === null || !time) throw new RangeError(`"${local}" is not a local time such as 2026-11-27T00:00`);
  return instantOfClock(timeZone, day, Number(time[1]) * 60 + Number(time[2]), whenTwice);
}

/** The same from a day and the minutes since midnight on the clock face. */
export function instantOfClock(
  timeZone: string,
  day: DayNumber,
  minute: number,
  whenTwice: 'earlier' | 'later',
): number {
  const shown = day * msPerDay + minute * msPerMinute;
  // Offsets in force a day before and a day after are those on both sides of any transition in between.
  const before = shown - offsetAt(timeZone, shown - msPerDay);
  const after = shown - offsetAt(timeZone, shown + msPerDay);
  const isShown = (instant: number) => instant + offsetAt(timeZone, instant) === shown;
  if (isShown(before)) {
    if (before === after || !isShown(after)) return before;
    return whenTwice === 'earlier' ? Math.min(before, after) : Math.max(before, after);
  }
  if (isShown(after)) return after;
  return transitionBetween(timeZone, Math.min(before, after), Math.max(before, after));
}

/** The first minute in (from, to] with the offset that holds at `to`. */
function transitionBetween(timeZone: string, from: number, to: number): number {
  const offset = offsetAt(timeZone, to);
  let low = Math.floor(from / msPerMinute);
  let high = Math.ceil(to / msPerMinute);
  while (high - low > 1) {
    const middle = Math.floor((low + high) / 2);
    if (offsetAt(timeZone, middle * msPerMinute) === offset) high = middle;
    else low = middle;
  }
  return high * msPerMinute;
}

/** How far ahead a change of clocks is looked for: those that happen come within a year. */
const farthestChange = 370 * msPerDay;

/** The first minute after the next change of a zone's clocks; null when none comes within a year. */
export function nextClockChange(timeZone: string, after: number): number | null {
  for (let from = after; from < after + farthestChange; from += msPerDay) {
    if (offsetAt(timeZone, from) !== offsetAt(timeZone, from + msPerDay))
      return transitionBetween(timeZone, from, from + msPerDay);
  }
  return null;
}

/** A moment as a clock shows it, to the minute: `2026-11-25T20:30`. */
export function localText(timeZone: string, instant: number): string {
  const { day, minute } = localTime(timeZone, instant);
  const two = (value: number) => String(value).padStart(2, '0');
  return `${dateOfDay(day)}T${two(Math.floor(minute / 60))}:${two(minute % 60)}`;
}
