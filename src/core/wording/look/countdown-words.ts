import type { TimeLeft } from '../../time/countdown.ts';

const units = ['day', 'hour', 'minute', 'second'] as const;

/** What a language writes durations with; each takes long to be made. */
interface Writer {
  count: Readonly<Record<(typeof units)[number], Intl.NumberFormat>>;
  list: Intl.ListFormat;
}
const writers = new Map<string, Writer>();

function writerOf(language: string): Writer {
  let writer = writers.get(language);
  if (!writer) {
    const counting = (unit: string) => new Intl.NumberFormat(language, { style: 'unit', unit, unitDisplay: 'long' });
    writer = {
      count: { day: counting('day'), hour: counting('hour'), minute: counting('minute'), second: counting('second') },
      list: new Intl.ListFormat(language, { type: 'unit', style: 'long' }),
    };
    writers.set(language, writer);
  }
  return writer;
}

/** The two largest units that are left, as a language writes them: “2 days, 3 hours”; below a minute the seconds. */
export function countdownInWords({ days, hours, minutes, seconds }: TimeLeft, language: string): string {
  const { count, list } = writerOf(language);
  const left = { day: days, hour: hours, minute: minutes, second: seconds };
  const largest = units.find((unit) => left[unit] > 0) ?? 'day';
  const next = units[units.indexOf(largest) + 1];
  const told = next !== undefined && next !== 'second' && left[next] > 0 ? [largest, next] : [largest];
  return list.format(told.map((unit) => count[unit].format(left[unit])));
}
