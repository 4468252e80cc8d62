import { expect, test } from 'vitest';
import { arrivalInWords } from './arrival-in-words.ts';

const days = (earliest: string, latest: string) =>
  ({ unit: 'workingDays', min: 1, max: 2, leaves: '2026-11-27', earliest, latest }) as const;
const hours = (from: string, to: string) =>
  ({ unit: 'hours', min: 2, max: 4, starts: 0, earliest: Date.parse(from), latest: Date.parse(to) }) as const;

test('a stretch of days in the shopper’s language', () => {
  expect(arrivalInWords(days('2026-11-30', '2026-12-01'), 'nl-NL', 'UTC')).toBe('ma 30 nov – di 1 dec');
  expect(arrivalInWords(days('2026-11-30', '2026-12-01'), 'en-GB', 'UTC')).toBe('Mon 30 Nov – Tue 1 Dec');
});
test('one day where it is certain', () =>
  expect(arrivalInWords(days('2026-11-30', '2026-11-30'), 'en-GB', 'UTC')).toBe('Mon 30 Nov'));
test('hours on the clock given', () =>
  expect(arrivalInWords(hours('2026-11-30T12:00Z', '2026-11-30T14:00Z'), 'de-DE', 'Europe/Berlin')).toMatch(
    /13:00.*15:00/,
  ));
