import type { TimeLeft } from '../../time/countdown.ts';

/** The two largest units that are left, as a language writes them: “2 days, 3 hours”; below a minute the seconds. */
export function countdownInWords({ days, hours, minutes, seconds }: TimeLeft, language: string): string {
  const units = [
    { unit: 'day', count: days },
    { unit: 'hour', count: hours },
    { unit: 'minute', count: minutes },
    { unit: 'second', count: seconds },
  ];
  const first = Math.max(
    0,
    units.findIndex(({ count }) => count > 0),
  );
  const told = units
    .slice(first, first + 2)
    .filter(({ count, unit }, index) => index === 0 || (count > 0 && unit !== 'second'));
  const written = told.map(({ unit, count }) =>
    new Intl.NumberFormat(language, { style: 'unit', unit, unitDisplay: 'long' }).format(count),
  );
  return new Intl.ListFormat(language, { type: 'unit', style: 'long' }).format(written);
}
