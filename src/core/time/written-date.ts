import { dayNumber } from './day.ts';
import { unaccented } from '../unaccented.ts';

/** A day, `YYYY-MM-DD`, and where it is said the time of it, `HH:MM`. */
export interface WrittenMoment {
  day: string;
  time: string | null;
}

type DatePart = 'day' | 'month' | 'year';

/** How a language writes dates: the order of numbers, its digits and the names of its months. */
interface Notation {
  order: readonly DatePart[];
  digits: ReadonlyMap<string, string>;
  months: readonly (readonly string[])[];
}

const notations = new Map<string, Notation>();

const inLocale = (locale: string, options: Intl.DateTimeFormatOptions) =>
  new Intl.DateTimeFormat(locale, { timeZone: 'UTC', calendar: 'gregory', ...options });

/** Full-width figures and letters are ordinary ones. */
const plain = (text: string) => unaccented(text.normalize('NFKC'));

function notationOf(locale: string): Notation {
  const known = notations.get(locale);
  if (known) return known;
  const someDay = Date.UTC(2001, 10, 22);
  const order = inLocale(locale, { dateStyle: 'short' })
    .formatToParts(someDay)
    .flatMap(({ type }) => (type === 'day' || type === 'month' || type === 'year' ? [type] : []));
  const write = new Intl.NumberFormat(locale, { useGrouping: false });
  const digits = new Map(Array.from({ length: 10 }, (_, digit) => [write.format(digit), String(digit)]));
  const months = Array.from({ length: 12 }, (_, month) => {
    const first = Date.UTC(2001, month, 1);
    const name = (of: string, style: 'long' | 'short') =>
      inLocale(of, { day: 'numeric', month: style })
        .formatToParts(first)
        .find(({ type }) => type === 'month')!.value;
    return [name(locale, 'long'), name(locale, 'short'), name('en', 'long')].map((text) =>
      plain(text).replace('.', ''),
    );
  });
  const notation = { order, digits, months };
  notations.set(locale, notation);
  return notation;
}

/** A day in words, as a language writes it: “31 December 2026”. */
export const writeDay = (day: string, locale: string): string =>
  inLocale(locale, { day: 'numeric', month: 'long', year: 'numeric' }).format(Date.parse(`${day}T00:00Z`));

/** A time of day as a language writes it; halves of a day are told apart by letters in English alone. */
const writeTime = (time: string, locale: string): string =>
  inLocale(locale, {
    hour: '2-digit',
    minute: '2-digit',
    ...(locale.startsWith('en') ? {} : { hourCycle: 'h23' as const }),
  }).format(Date.parse(`2001-01-01T${time}Z`));

/** A day with its time, where one is said. */
export const writeMoment = ({ day, time }: WrittenMoment, locale: string): string =>
  time === null ? writeDay(day, locale) : `${writeDay(day, locale)}, ${writeTime(time, locale)}`;

/** A time of day at the end of what is typed, and what stands before it: “…, 23:59”, “… 8.30 pm”; null without one. */
function timeIn(text: string): { rest: string; time: string } | null {
  const found = /[\s,]+(?:\p{L}+\.?\s+)?(\d{1,2})[:.](\d{2})\s*([ap])?\.?\s?m?\.?$/u.exec(text);
  if (!found) return null;
  const half = found[3];
  const hour = half ? (Number(found[1]) % 12) + (half === 'p' ? 12 : 0) : Number(found[1]);
  if (hour > 23 || Number(found[2]) > 59) return null;
  return { rest: text.slice(0, found.index), time: `${String(hour).padStart(2, '0')}:${found[2]}` };
}

/** The month that a word names, from 1; null for none. Three letters are enough where they tell it. */
function monthNamed(word: string, months: Notation['months']): number | null {
  if (word.length < 3) return null;
  const at = months.findIndex((names) => names.some((name) => name.startsWith(word) || word === name));
  return at < 0 ? null : at + 1;
}

/** @param text in small letters and western digits */
function readDay(text: string, { order, months }: Notation, today: string): string | null {
  const named = (text.match(/\p{L}+/gu) ?? []).map((word) => monthNamed(word, months)).find((month) => month !== null);
  const numbers = text.match(/\d+/g) ?? [];
  const iso = /^\d{4}-\d{1,2}-\d{1,2}$/.test(text);
  const found: Partial<Record<DatePart, string>> = named === undefined ? {} : { month: String(named) };
  const year = numbers.findIndex((figures) => figures.length === 4);
  if (year >= 0) found.year = numbers[year]!;
  const left = (iso ? (['year', 'month', 'day'] as const) : order).filter((part) => found[part] === undefined);
  const others = numbers.filter((_, index) => index !== year);
  // With fewer numbers than parts it is the year that is left out.
  const meant = others.length < left.length ? left.filter((part) => part !== 'year') : left;
  if (others.length !== meant.length || others.some((figures) => figures.length > 2)) return null;
  meant.forEach((part, index) => (found[part] = others[index]!));
  const full = found.year === undefined ? today.slice(0, 4) : found.year.padStart(4, '20');
  const day = `${full}-${found.month!.padStart(2, '0')}-${found.day!.padStart(2, '0')}`;
  return dayNumber(day) === null ? null : day;
}

/** As long as any date in words. */
const longest = 80;

/**
 * A date as people type it in a language: “31/12/2026”, “31 Dec”, “2026-12-31 23:59”, “12月31日”. Without a year it is the
 * one of `today`.
 *
 * @returns null for what is no date
 */
export function readMoment(text: string, locale: string, today: string): WrittenMoment | null {
  if (text.length > longest) return null;
  const notation = notationOf(locale);
  const western = [...plain(text)].map((letter) => notation.digits.get(letter) ?? letter).join('');
  const typed = western
    .replace(/[\u200e\u200f]/g, '')
    .replace(/t(?=\d{2}:\d{2}$)/, ' ')
    .trim();
  const timed = timeIn(typed);
  const timedDay = timed && readDay(timed.rest.trim(), notation, today);
  if (timed && timedDay) return { day: timedDay, time: timed.time };
  const day = readDay(typed, notation, today);
  return day === null ? null : { day, time: null };
}
