import type { Estimate } from '../time/estimate.ts';
import { dayInWords } from './day-in-words.ts';

/**
 * When an order is there at the latest, which can be promised: “Friday 4 December”; of hours with the time of day.
 *
 * @param timeZone IANA, of whoever reads it
 */
export const arrivesInWords = (estimate: Estimate, timeZone: string, language: string): string =>
  estimate.unit === 'workingDays'
    ? dayInWords(Date.parse(estimate.latest), { timeZone: 'UTC', language }, false)
    : dayInWords(estimate.latest, { timeZone, language }, true);
