import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { dateOfDay, dayNumber } from './day.ts';
import { readMoment, writeDay, writeMoment } from './written-date.ts';

const locales = ['en-GB', 'en-US', 'nl-NL', 'de-DE', 'fr-FR', 'da-DK', 'ja-JP', 'es-ES', 'pl-PL', 'sv-SE', 'ar-EG'];
const today = '2026-11-28';

describe('a date as people type it', () => {
  test.each([
    ['31/12/2026', 'en-GB', '2026-12-31', null],
    ['12/31/2026', 'en-US', '2026-12-31', null],
    ['31.12.26', 'de-DE', '2026-12-31', null],
    ['31 Dec', 'en-GB', '2026-12-31', null],
    ['1 mrt 2027', 'nl-NL', '2027-03-01', null],
    ['1. März 2027', 'de-DE', '2027-03-01', null],
    ['12月31日', 'ja-JP', '2026-12-31', null],
    ['2027-02-28', 'en-US', '2027-02-28', null],
    ['2026-12-31T23:59', 'da-DK', '2026-12-31', '23:59'],
    ['31 December, 23:59', 'en-GB', '2026-12-31', '23:59'],
    ['12/31/2026 8:30 pm', 'en-US', '2026-12-31', '20:30'],
    ['31. december 2026 kl. 23.59', 'da-DK', '2026-12-31', '23:59'],
    ['31.12', 'de-DE', '2026-12-31', null],
  ])('%s in %s is %s', (text, locale, day, time) => expect(readMoment(text, locale, today)).toEqual({ day, time }));
  test.each(['', '31', 'tomorrow', '31/13/2026', '30/2/2026', '1/2/3/4', '31/12/20261', '2026', '9'.repeat(100)])(
    '%s is none',
    (text) => expect(readMoment(text, 'en-GB', today)).toBeNull(),
  );
  test('what is written in any language is read back', () =>
    fc.assert(
      fc.property(
        fc.constantFrom(...locales),
        fc.integer({ min: dayNumber('1990-01-01')!, max: dayNumber('2090-12-31')! }),
        fc.option(fc.integer({ min: 0, max: 1439 }), { nil: null }),
        (locale, number, minutes) => {
          const two = (figure: number) => String(figure).padStart(2, '0');
          const time = minutes === null ? null : `${two(Math.floor(minutes / 60))}:${two(minutes % 60)}`;
          const moment = { day: dateOfDay(number), time };
          expect(readMoment(writeMoment(moment, locale), locale, today)).toEqual(moment);
        },
      ),
      { numRuns: 2000 },
    ));
  test('a day reads as words', () => expect(writeDay('2026-12-31', 'en-GB')).toBe('31 December 2026'));
});
