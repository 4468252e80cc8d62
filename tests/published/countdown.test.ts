// Source: the Temporal proposal of ECMAScript (TC39), `ZonedDateTime.prototype.until`, as implemented by the npm package
// `temporal-polyfill`, around the clock changes of the European Union (Directive 2000/84/EC: last Sundays of March and October,
// 01:00 UTC) and of the United States (15 U.S.C. 260a: second Sunday of March, first of November, 02:00 on the clock).
import fc from 'fast-check';
import { Temporal } from 'temporal-polyfill';
import { expect, test } from 'vitest';
import { timeLeft } from '../../src/core/time/countdown.ts';
import { offsetAt } from '../../src/core/time/time-zone-clock.ts';

const changes = {
  'Europe/Amsterdam': ['2026-03-29T01:00Z', '2026-10-25T01:00Z', '2027-03-28T01:00Z'],
  'Europe/London': ['2026-03-29T01:00Z', '2026-10-25T01:00Z'],
  'America/New_York': ['2026-03-08T07:00Z', '2026-11-01T06:00Z'],
  'America/Los_Angeles': ['2026-03-08T10:00Z', '2026-11-01T09:00Z'],
};

const reference = (now: number, until: number, zone: string) => {
  const on = (instant: number) => Temporal.Instant.fromEpochMilliseconds(instant).toZonedDateTimeISO(zone);
  const { days, hours, minutes, seconds } = on(now).until(on(until), { largestUnit: 'day', smallestUnit: 'second' });
  return { days, hours, minutes, seconds };
};

/** Whether the clock has shown this time before. */
const comesAgain = (instant: number, zone: string) => {
  const shown = Temporal.Instant.fromEpochMilliseconds(instant).toZonedDateTimeISO(zone);
  return (
    shown.toPlainDateTime().toZonedDateTime(zone, { disambiguation: 'earlier' }).epochMilliseconds !==
    shown.epochMilliseconds
  );
};

test('clocks change where the rules say', () => {
  for (const [zone, instants] of Object.entries(changes)) {
    for (const text of instants)
      expect([zone, text, offsetAt(zone, Date.parse(text)) === offsetAt(zone, Date.parse(text) - 1)]).toEqual([
        zone,
        text,
        false,
      ]);
  }
});

test('what is left is what Temporal says, to the second, across every change', () => {
  const zones = fc.constantFrom(
    ...Object.entries(changes).flatMap(([zone, instants]) =>
      instants.map((instant) => [zone, Date.parse(instant)] as const),
    ),
  );
  const near = fc.integer({ min: -4 * 86_400, max: 4 * 86_400 });
  fc.assert(
    fc.property(zones, near, near, ([zone, change], a, b) => {
      const [now, until] = [change + Math.min(a, b) * 1000, change + Math.max(a, b) * 1000];
      if (now === until) return;
      const left = timeLeft(now, until, zone)!;
      if (left.days === 0) expect(left.hours * 3600 + left.minutes * 60 + left.seconds).toBe((until - now) / 1000);
      // From an hour that comes a second time Temporal starts with its first: it would count more than passes.
      if (!comesAgain(now, zone)) expect(left).toEqual(reference(now, until, zone));
    }),
    { numRuns: 4000 },
  );
});
