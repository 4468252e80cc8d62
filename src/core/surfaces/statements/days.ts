import type { WrittenDay } from './statement.ts';

type MonthPattern = readonly [pattern: RegExp, month: number];

const monthsKnown = new Map<string, readonly MonthPattern[]>();

/** How a language writes a day of each month, with its long or its short name. */
function monthsOf(language: string): readonly MonthPattern[] {
  const known = monthsKnown.get(language);
  if (known) return known;
  const names = (['long', 'short'] as const).flatMap((month) => {
    const format = new Intl.DateTimeFormat(language, { day: 'numeric', month, calendar: 'gregory', timeZone: 'UTC' });
    const nameOf = (index: number) =>
      format.formatToParts(Date.UTC(2001, index, 1)).find(({ type }) => type === 'month')!.value;
    return Array.from({ length: 12 }, (_, index) => [nameOf(index).toLowerCase().replace('.', ''), index + 1] as const);
  });
  const patterns = names
    .filter(([name]) => !/\d/.test(name))
    .sort((a, b) => b[0].length - a[0].length)
    .map(([name, month]): MonthPattern => {
      const day = `(?<!\\d)(\\d{1,2})(?:\\.|st|nd|rd|th)? ${escaped(name)}\\.?(?!\\p{L})(?:,? (\\d{4}))?`;
      return [new RegExp(day, 'gu'), month];
    });
  monthsKnown.set(language, patterns);
  return patterns;
}

/** Days that a text names: in words of its language, as day/month/year, or as year first. */
export function daysIn(plain: string, language: string): WrittenDay[] {
  const found: WrittenDay[] = [];
  const add = (match: RegExpMatchArray, year: string | undefined, month: number, day: string) => {
    const start = match.index!;
    if (month < 1 || month > 12 || Number(day) < 1 || Number(day) > 31) return;
    if (found.some((one) => one.start < start + match[0].length && start < one.end)) return;
    found.push({
      start,
      end: start + match[0].length,
      year: year === undefined ? null : Number(year),
      month,
      day: Number(day),
    });
  };
  for (const match of plain.matchAll(/(?:(\d{4})年)?(\d{1,2})月(\d{1,2})日/gu))
    add(match, match[1], Number(match[2]), match[3]!);
  for (const match of plain.matchAll(/(?<!\d)(\d{4})[-/.](\d{1,2})[-/.](\d{1,2})(?!\d)/gu))
    add(match, match[1], Number(match[2]), match[3]!);
  for (const match of plain.matchAll(/(?<!\d)(\d{1,2})([-/.])(\d{1,2})\2(\d{4})(?!\d)/gu))
    add(match, match[4], Number(match[3]), match[1]!);
  for (const [pattern, month] of monthsOf(language))
    for (const match of plain.matchAll(pattern)) add(match, match[2], month, match[1]!);
  return found.sort((a, b) => a.start - b.start);
}

const escaped = (text: string) => text.replace(/[.*+?^${}()|[\]\\]/g, '\\$&');
