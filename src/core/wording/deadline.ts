/** An offer ends with the first minute after it; what a shopper is told is the last minute in which it holds. */
const lastMinute = 60_000;

const formats = new Map<string, Intl.DateTimeFormat>();

/**
 * The last minute of an offer on a clock, as a language writes it: “Sunday 29 November at 23:59”.
 *
 * @param until the first minute after it, ms since 1970-01-01T00:00Z
 * @param timeZone IANA
 */
export function deadlineInWords(until: number, timeZone: string, language: string): string {
  const key = `${language} ${timeZone}`;
  let format = formats.get(key);
  if (!format) {
    format = new Intl.DateTimeFormat(language, {
      weekday: 'long',
      day: 'numeric',
      month: 'long',
      hour: 'numeric',
      minute: '2-digit',
      timeZone,
    });
    formats.set(key, format);
  }
  return format.format(until - lastMinute);
}
