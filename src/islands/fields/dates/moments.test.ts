import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { dateInWords, shownMoment, storedMoment } from './moments.ts';

describe('a date in words', () => {
  test.each([
    ['2026-12-01T00:00', 'from', '1 December 2026'],
    ['2026-12-01T08:30', 'from', '1 December 2026, 08:30'],
    ['2027-01-01T00:00', 'until', 'the end of 31 December 2026'],
    ['2026-12-31T23:59', 'until', '31 December 2026, 23:59'],
    ['2026-12-31', 'day', '31 December 2026'],
  ] as const)('%s as %s is “%s”', (value, kind, words) => expect(dateInWords(value, kind, 'en-GB')).toBe(words));
  test('what is shown is stored as it was', () =>
    fc.assert(
      fc.property(
        fc.constantFrom('from' as const, 'until' as const),
        fc.date({ min: new Date('1990-01-01'), max: new Date('2090-01-01'), noInvalidDate: true }),
        (kind, date) => {
          const value = date.toISOString().slice(0, 16);
          expect(storedMoment(shownMoment(value, kind), kind)).toBe(value);
        },
      ),
    ));
});
