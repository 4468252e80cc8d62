import { addDays } from '../../../core/time/day.ts';
import { writeDay, writeMoment, type WrittenMoment } from '../../../core/time/written-date.ts';

/** What a date stands for: a day, the moment from which something is so, or the one before which it is. */
export type DateKind = 'day' | 'from' | 'until';

/**
 * A stored date as it is read. A moment is `YYYY-MM-DDTHH:MM` on some clock; that something begins at midnight is said by its
 * day alone, and that it ends at midnight as the end of the day before.
 */
export function shownMoment(value: string, kind: DateKind): WrittenMoment {
  const [day, time] = [value.slice(0, 10), value.slice(11, 16)];
  if (kind === 'day' || time !== '00:00') return { day, time: kind === 'day' ? null : time };
  return { day: kind === 'until' ? addDays(day, -1) : day, time: null };
}

/** The other way round. */
export function storedMoment({ day, time }: WrittenMoment, kind: DateKind): string {
  if (kind === 'day') return day;
  if (time !== null) return `${day}T${time}`;
  return `${kind === 'until' ? addDays(day, 1) : day}T00:00`;
}

/** A stored date in words. */
export function dateInWords(value: string, kind: DateKind, locale: string): string {
  const moment = shownMoment(value, kind);
  return kind === 'until' && moment.time === null
    ? `the end of ${writeDay(moment.day, locale)}`
    : writeMoment(moment, locale);
}
