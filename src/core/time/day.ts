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
  return dayOf(Number(match[1]), Number(match[2]), Number(match[3]));
}

/** @param month 1 to 12 @returns null when there is no such day, and for years below 100 */
export function dayOf(year: number, month: number, dayOfMonth: number): DayNumber | null {
  if (year < 100 || month < 1 || month > 12 || dayOfMonth < 1 || dayOfMonth > 31) return null;
  const ms = Date.UTC(year, month - 1, dayOfMonth);
  // The platform's calendar runs on from a day that a month does not have.
  return dayOfMonth <= 28 || new Date(ms).getUTCDate() === dayOfMonth ? ms / msPerDay : null;
}

/** The day in ISO 8601. */
export function dateOfDay(day: DayNumber): string {
  return new Date(day * msPerDay).toISOString().slice(0, 10);
}

/** The day so many days after another, both in ISO 8601; one that is no day stays as it is. */
export function addDays(date: string, days: number): string {
  const day = dayNumber(date);
  return day === null ? date : dateOfDay(day + days);
}

/** Weekday by ISO 8601: 1 is Monday, 7 Sunday. 1970-01-01 was a Thursday. */
export function isoWeekday(day: DayNumber): number {
  return ((((day + 3) % 7) + 7) % 7) + 1;
}
