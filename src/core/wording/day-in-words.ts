const formats = new Map<string, Intl.DateTimeFormat>();

/**
 * A day as a language writes it in a sentence, “Sunday 29 November”, with the time of day where that is asked for.
 *
 * @param at ms since 1970-01-01T00:00Z
 * @param timeZone IANA, on whose clock it is read
 */
export function dayInWords(at: number, { timeZone, language }: Reader, withTime: boolean): string {
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
  return format.format(at);
}

interface Reader {
  timeZone: string;
  language: string;
}
