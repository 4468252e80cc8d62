import type { PickUpPlace } from '../policy/types.ts';
import { isoWeekday, type DayNumber } from './day.ts';
import { minuteOfDay } from './working-days.ts';
import { instantOfClock, localTime } from './time-zone-clock.ts';

/** When a place is open: stretches [from, to) of a day in minutes on its clock, by weekday (1 Monday to 7 Sunday). */
export interface Openings {
  timeZone: string;
  byWeekday: ReadonlyMap<number, readonly { from: number; to: number }[]>;
}

const minutesPerDay = 1440;

/** The first minute after a stretch of opening hours; 00:00 is the end of the day. */
export const closingMinute = (to: string): number => (to === '00:00' ? minutesPerDay : minuteOfDay(to));

/** @returns null for a place that is always open, or never, so that its hours say nothing of when goods can be collected */
export function compileOpenings(
  place: Pick<PickUpPlace, 'hours' | 'timeZone'> | undefined,
  storeZone: string,
): Openings | null {
  const days = Object.entries(place?.hours ?? {}).filter(([, spans]) => spans.length > 0);
  if (!place || days.length === 0) return null;
  return {
    timeZone: place.timeZone ?? storeZone,
    byWeekday: new Map(
      days.map(([weekday, spans]) => [
        Number(weekday),
        spans
          .map(({ from, to }) => ({ from: minuteOfDay(from), to: closingMinute(to) }))
          .sort((a, b) => a.from - b.from),
      ]),
    ),
  };
}

/** That moment while the place is open, else when it next opens. ms since 1970-01-01T00:00Z */
export function openFrom({ timeZone, byWeekday }: Openings, instant: number): number {
  const { day, minute } = localTime(timeZone, instant);
  for (let ahead = 0; ahead <= 7; ahead++) {
    for (const { from, to } of byWeekday.get(isoWeekday(day + ahead)) ?? []) {
      if (ahead === 0 && minute >= to) continue;
      if (ahead === 0 && minute >= from) return instant;
      return instantOfClock(timeZone, day + ahead, from, 'earlier');
    }
  }
  return instant;
}

/** That day if the place opens on it, else the next on which it does. */
export function openDayFrom({ byWeekday }: Openings, day: DayNumber): DayNumber {
  let found = day;
  while (!byWeekday.has(isoWeekday(found))) found++;
  return found;
}
