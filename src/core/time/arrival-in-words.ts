import type { Estimate } from './estimate.ts';

/**
 * When goods are there, as a shop shows it: a day or two days in a language, or hours of one, on a clock. Both ends are
 * written in full and set side by side: how ranges are shortened differs between the platforms that draw and those that read.
 */
export function arrivalInWords(estimate: Estimate, language: string, timeZone: string): string {
  const days = estimate.unit === 'workingDays';
  const format = new Intl.DateTimeFormat(language, {
    calendar: 'gregory',
    weekday: 'short',
    day: 'numeric',
    month: 'short',
    ...(days ? { timeZone: 'UTC' } : { hour: '2-digit', minute: '2-digit', timeZone }),
  });
  const at = (end: string | number) => format.format(typeof end === 'number' ? end : Date.parse(`${end}T00:00Z`));
  const [earliest, latest] = [at(estimate.earliest), at(estimate.latest)];
  return earliest === latest ? earliest : `${earliest} – ${latest}`;
}
