import { dayOf } from '../time/day.ts';
import { instantOfClock } from '../time/time-zone-clock.ts';

export const dateForms = ['ymd', 'dmy', 'mdy', 'unix'] as const;
/** Year, month and day in that order with any marks between, or seconds since 1970-01-01T00:00Z. */
export type DateForm = (typeof dateForms)[number];

const yearFirst = /^(\d{4})[-./]?(\d{2})[-./]?(\d{2})(?:[T ,]+(.*))?$/;
const yearLast = /^(\d{1,2})[-./ ](\d{1,2})[-./ ](\d{4}|\d{2})(?:[T ,]+(.*))?$/;
const clock =
  /^(\d{1,2})[:.](\d{2})(?:[:.](\d{2})(?:[.,]\d{1,9})?)?\s*([AaPp]\.?[Mm]\.?)?\s*(Z|UTC|[+-]\d{2}:?\d{2})?$/;

/**
 * Reads a date with or without a time, to the second.
 *
 * @param timeZone whose clocks show it, when the text itself names no offset; a date without a time is its noon, so that it
 *   stays the same day in any neighbouring zone
 * @returns ms since 1970-01-01T00:00Z, or null when it is not such a date
 */
export function readDate(text: string, form: DateForm, timeZone: string): number | null {
  const plain = text.trim();
  if (form === 'unix') return unixTime(plain);
  const match = (form === 'ymd' ? yearFirst : yearLast).exec(plain);
  if (!match) return null;
  const [year, month, date] = {
    ymd: [match[1]!, match[2]!, match[3]!] as const,
    dmy: [match[3]!, match[2]!, match[1]!] as const,
    mdy: [match[3]!, match[1]!, match[2]!] as const,
  }[form];
  const day = dayOf(Number(year.length === 2 ? `20${year}` : year), Number(month), Number(date));
  if (day === null) return null;
  if (!match[4]) return instantOfClock(timeZone, day, 720, 'earlier');
  const time = timeOfDay(match[4].trim());
  if (!time) return null;
  const { minutes, seconds, ahead } = time;
  if (ahead === null) return instantOfClock(timeZone, day, minutes, 'earlier') + seconds * 1000;
  return (day * 1440 + minutes - ahead) * 60_000 + seconds * 1000;
}

function unixTime(plain: string): number | null {
  if (/^\d{9,10}$/.test(plain)) return Number(plain) * 1000;
  return /^\d{12,13}$/.test(plain) ? Number(plain) : null;
}

/** @returns `minutes` since midnight; `ahead` of UTC, null where the text names no offset. Null when it is no time of day */
function timeOfDay(text: string): { minutes: number; seconds: number; ahead: number | null } | null {
  const time = clock.exec(text);
  if (!time) return null;
  let hour = Number(time[1]);
  if (time[4]) {
    if (hour < 1 || hour > 12) return null;
    hour = (hour % 12) + (/^p/i.test(time[4]) ? 12 : 0);
  }
  const minute = Number(time[2]);
  const seconds = Number(time[3] ?? 0);
  if (hour > 23 || minute > 59 || seconds > 59) return null;
  return { minutes: hour * 60 + minute, seconds, ahead: time[5] === undefined ? null : offsetMinutes(time[5]) };
}

function offsetMinutes(offset: string): number {
  if (offset === 'Z' || offset === 'UTC') return 0;
  return (offset[0] === '-' ? -1 : 1) * (Number(offset.slice(1, 3)) * 60 + Number(offset.slice(-2)));
}

/**
 * The forms that fit most samples, a few of which may be mistaken; more than one when they leave open which of two numbers is
 * the month.
 */
export function formsThatFit(samples: readonly string[]): DateForm[] {
  const said = samples.map((sample) => sample.trim()).filter(Boolean);
  const fits = dateForms.map((form) => said.filter((sample) => readDate(sample, form, 'UTC') !== null).length);
  const most = Math.max(...fits);
  return most === 0 ? [] : dateForms.filter((_, i) => fits[i] === most);
}
