import type { Estimate } from '../time/estimate.ts';

const formats = new Map<string, Intl.DateTimeFormat>();

function formatOf(language: string, timeZone: string, withTime: boolean): Intl.DateTimeFormat {
  const key = `${language} ${timeZone} ${withTime}`;
  let format = formats.get(key);
  if (!format) {
    format = new Intl.DateTimeFormat(language, {
      weekday: 'long',
      day: 'numeric',
      month: 'long',
      ...(withTime ? { hour: 'numeric', minute: '2-digit' } : {}),
      timeZone,
    });
    formats.set(key, format);
  }
  return format;
}

/**
 * When an order is there at the latest, which can be promised: “Friday 4 December”; of hours with the time of day.
 *
 * @param timeZone IANA, of whoever reads it
 */
export function arrivesInWords(estimate: Estimate, timeZone: string, language: string): string {
  return estimate.unit === 'workingDays'
    ? formatOf(language, 'UTC', false).format(Date.parse(estimate.latest))
    : formatOf(language, timeZone, true).format(estimate.latest);
}
