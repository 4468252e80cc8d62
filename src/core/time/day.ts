/**
 * Days as whole numbers: days since 1970-01-01 in the proleptic Gregorian calendar, whatever the time zone.
 * They are added and compared without any clock.
 */
export type DayNumber = number;

const msPerDay = 86_400_000;

/** @param date ISO 8601, such as 2026-11-24 @returns null when there is no such day */
export function dayNumber(date: string): DayNumber | null {
  const match = /^(\d{4})-(\d{2})-(\d{2})$/.exec(date);
  if (!match) return null;
  const day = Date.UTC(Number(match[1]), Number(match[2]) - 1, Number(match[3])) / msPerDay;
  return dateOfDay(day) === date ? day : null;
}

/** The day in ISO 8601. */
export function dateOfDay(day: DayNumber): string {
  return new Date(day * msPerDay).toISOString().slice(0, 10);
}

/** Weekday by ISO 8601: 1 is Monday, 7 Sunday. 1970-01-01 was a Thursday. */
export function isoWeekday(day: DayNumber): number {
  return ((((day + 3) % 7) + 7) % 7) + 1;
}
