// Sources: the IANA time-zone database as carried by the platform's Intl; the rules of summer time named at each test;
// ISO 8601 weekdays and working days by the npm package `date-fns`.
import { addBusinessDays, differenceInBusinessDays, getISODay } from 'date-fns';
import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { dateOfDay, dayNumber, isoWeekday } from '../../src/core/time/day.ts';
import { addWorkingDays, isWorkingDay, usualWorkingDays } from '../../src/core/time/working-days.ts';
import { instantOfLocal, localTime, offsetAt } from '../../src/core/time/time-zone-clock.ts';

const zones = [
  'Europe/Amsterdam',
  'Europe/London',
  'America/New_York',
  'Asia/Tokyo',
  'Asia/Kolkata',
  'Australia/Lord_Howe',
  'America/St_Johns',
  'Pacific/Chatham',
  'Africa/Casablanca',
  'UTC',
];
const instants = fc.integer({ min: Date.parse('1990-01-01T00:00Z'), max: Date.parse('2037-12-31T00:00Z') });
const hour = 3_600_000;

/** The wall clock as Intl writes it in a language whose dates are ISO 8601. */
const written = (zone: string, instant: number): string =>
  new Intl.DateTimeFormat('sv-SE', { timeZone: zone, dateStyle: 'short', timeStyle: 'short' })
    .format(instant)
    .replace(' ', 'T');
const shown = (zone: string, instant: number): string => {
  const { day, minute } = localTime(zone, instant);
  return `${dateOfDay(day)}T${String(Math.floor(minute / 60)).padStart(2, '0')}:${String(minute % 60).padStart(2, '0')}`;
};

describe('wall clocks', () => {
  test('show what the platform writes, in every zone at every moment', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...zones),
        instants,
        (zone, instant) => void expect(shown(zone, instant)).toBe(written(zone, instant)),
      ),
      { numRuns: 3000 },
    );
  });
  test('around every transition of two years, minute by minute', () => {
    for (const zone of zones) {
      for (let at = Date.parse('2026-01-01T00:00Z'); at < Date.parse('2028-01-01T00:00Z'); at += 24 * hour) {
        if (offsetAt(zone, at) === offsetAt(zone, at + 24 * hour)) continue;
        for (let minute = at; minute <= at + 24 * hour; minute += 5 * 60_000)
          expect(shown(zone, minute)).toBe(written(zone, minute));
      }
    }
  });
  // Directive 2000/84/EC, articles 2 and 3: from 01:00 UTC on the last Sunday in March to 01:00 UTC on that in October.
  test.each([2025, 2026, 2027, 2028, 2029, 2030])('summer time in the European Union in %i', (year) => {
    const lastSunday = (month: number) => {
      const last = new Date(Date.UTC(year, month, 0));
      return last.getTime() - last.getUTCDay() * 24 * hour + hour;
    };
    const [begins, ends] = [lastSunday(3), lastSunday(10)];
    expect([
      offsetAt('Europe/Amsterdam', begins - 1),
      offsetAt('Europe/Amsterdam', begins),
      offsetAt('Europe/Amsterdam', ends - 1),
      offsetAt('Europe/Amsterdam', ends),
    ]).toEqual([hour, 2 * hour, 2 * hour, hour]);
  });
  // Energy Policy Act of 2005, section 110: from the second Sunday in March to the first in November, at 2 a.m.
  test.each([2026, 2027, 2028])('daylight saving in New York in %i', (year) => {
    const sunday = (month: number, nth: number) => {
      const first = new Date(Date.UTC(year, month - 1, 1)).getUTCDay();
      return Date.UTC(year, month - 1, 1 + ((7 - first) % 7) + 7 * (nth - 1));
    };
    const begins = sunday(3, 2) + 7 * hour;
    const ends = sunday(11, 1) + 6 * hour;
    expect([begins - 1, begins, ends - 1, ends].map((at) => offsetAt('America/New_York', at) / hour)).toEqual([
      -5, -4, -4, -5,
    ]);
  });
  test('a local time leads to the instant at which the clock shows it', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...zones),
        instants,
        fc.constantFrom('earlier' as const, 'later' as const),
        (zone, instant, which) => {
          const local = written(zone, instant);
          const found = instantOfLocal(zone, local, which);
          expect(written(zone, found)).toBe(local);
          if (which === 'earlier') expect(found).toBeLessThanOrEqual(instant);
          else expect(found).toBeGreaterThanOrEqual(Math.floor(instant / 60_000) * 60_000);
        },
      ),
      { numRuns: 3000, examples: [['America/St_Johns', 1_049_599_860_000, 'earlier']] },
    );
  });
});

describe('ISO 8601 days', () => {
  const days = fc.integer({ min: dayNumber('1970-01-01')!, max: dayNumber('2099-12-31')! });
  test('weekdays are those of date-fns', () => {
    fc.assert(
      fc.property(days, (day) => void expect(isoWeekday(day)).toBe(getISODay(new Date(`${dateOfDay(day)}T12:00:00`)))),
      { numRuns: 2000 },
    );
  });
  test('days that do not exist are none', () => {
    expect(['2026-02-29', '2026-13-01', '2026-04-31', '2026-00-10', '26-01-01', ''].map(dayNumber)).toEqual([
      null,
      null,
      null,
      null,
      null,
      null,
    ]);
    expect(dayNumber('2028-02-29')).not.toBeNull();
  });
  test('working days are counted as date-fns does', () => {
    fc.assert(
      fc.property(days, fc.integer({ min: 0, max: 60 }), (day, count) => {
        const at = (number: number) => new Date(`${dateOfDay(number)}T12:00:00`);
        const later = addWorkingDays(usualWorkingDays, day, count);
        fc.pre(isWorkingDay(usualWorkingDays, day));
        expect(at(later)).toEqual(addBusinessDays(at(day), count));
        expect(differenceInBusinessDays(at(later), at(day))).toBe(count);
      }),
      { numRuns: 1000 },
    );
  });
});
