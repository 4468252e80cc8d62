import { dayInWords } from './day-in-words.ts';

/** An offer ends with the first minute after it; what a shopper is told is the last minute in which it holds. */
const lastMinute = 60_000;

/**
 * The last minute of an offer on a clock, as a language writes it: “Sunday 29 November at 23:59”.
 *
 * @param until the first minute after it, ms since 1970-01-01T00:00Z
 * @param timeZone IANA
 */
export const deadlineInWords = (until: number, timeZone: string, language: string): string =>
  dayInWords(until - lastMinute, { timeZone, language }, true);
