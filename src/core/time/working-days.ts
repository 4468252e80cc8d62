import type { Calendar } from '../policy/types.ts';
import { dayNumber, isoWeekday, type DayNumber } from './day.ts';

/** Which days are worked. */
export interface WorkingDays {
  weekdays: ReadonlySet<number>;
  holidays: ReadonlySet<DayNumber>;
  /** minutes since midnight from which hours count on a day that was waited for */
  opens: number;
}

/** Monday to Friday without holidays. */
export const usualWorkingDays: WorkingDays = { weekdays: new Set([1, 2, 3, 4, 5]), holidays: new Set(), opens: 0 };

export function minuteOfDay(timeOfDay: string): number {
  return Number(timeOfDay.slice(0, 2)) * 60 + Number(timeOfDay.slice(3, 5));
}

export function compileCalendar(calendar: Calendar | undefined): WorkingDays {
  if (!calendar) return usualWorkingDays;
  return {
    weekdays: new Set(calendar.workingDays),
    holidays: new Set(Object.keys(calendar.holidays).flatMap((date) => dayNumber(date) ?? [])),
    opens: calendar.opens ? minuteOfDay(calendar.opens) : 0,
  };
}

export function isWorkingDay({ weekdays, holidays }: WorkingDays, day: DayNumber): boolean {
  return weekdays.has(isoWeekday(day)) && !holidays.has(day);
}

/** That day, or the first working one after it. */
export function workingDayFrom(calendar: WorkingDays, day: DayNumber): DayNumber {
  let found = day;
  while (!isWorkingDay(calendar, found)) found++;
  return found;
}

/** The `count`-th working day after a day; the day itself for 0. */
export function addWorkingDays(calendar: WorkingDays, day: DayNumber, count: number): DayNumber {
  let found = day;
  for (let left = count; left > 0; left--) found = workingDayFrom(calendar, found + 1);
  return found;
}
