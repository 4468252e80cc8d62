import fc from 'fast-check';
import { Temporal } from 'temporal-polyfill';
import { expect, test } from 'vitest';
import type { Calendar } from '../../src/core/policy/types.ts';
import { nextCutOff } from '../../src/core/time/cut-off.ts';
import { compileEstimate, estimateAt } from '../../src/core/time/estimate.ts';
import { localTime } from '../../src/core/time/time-zone-clock.ts';
import { compileCalendar } from '../../src/core/time/working-days.ts';

const calendar: Calendar = {
  order: 1,
  name: 'Closed around the changes of clocks',
  workingDays: [1, 2, 3, 4, 5, 7],
  holidays: { '2026-12-25': 'Christmas', '2027-03-26': 'Good Friday' },
};
const zones = ['Europe/Amsterdam', 'America/New_York', 'Australia/Lord_Howe', 'Asia/Tokyo'] as const;
const compiled = (timeZone: string, cutOff: string) =>
  compileEstimate({ min: 1, max: 2, cutOff }, compileCalendar(calendar), timeZone);
const cutOffAt = (timeZone: string, cutOff: string, instant: number) =>
  nextCutOff(compiled(timeZone, cutOff), localTime(timeZone, instant), instant);

/** Around both changes of clocks, the holidays, and any other minute of a year. */
const instants = fc.oneof(
  ...['2026-10-25T00:00Z', '2026-11-01T05:00Z', '2027-03-14T06:00Z', '2027-03-28T00:00Z', '2026-12-24T12:00Z'].map(
    (at) => fc.integer({ min: -2000, max: 2000 }).map((minutes) => Date.parse(at) + minutes * 60_000),
  ),
  fc
    .integer({ min: Date.parse('2026-06-01') / 60_000, max: Date.parse('2027-06-01') / 60_000 })
    .map((at) => at * 60_000),
);

/** By Temporal (ECMAScript proposal, stage 4): the first working day whose cut-off, shown for the first time, is still ahead. */
function byTemporal(timeZone: string, cutOff: string, instant: number): number {
  const now = Temporal.Instant.fromEpochMilliseconds(instant).toZonedDateTimeISO(timeZone);
  const works = (day: Temporal.PlainDate) =>
    (calendar.workingDays as number[]).includes(day.dayOfWeek) && !Object.hasOwn(calendar.holidays, day.toString());
  const isLate = Temporal.PlainTime.compare(now.toPlainTime(), cutOff) >= 0;
  let day = now.toPlainDate().add({ days: isLate ? 1 : 0 });
  while (!works(day)) day = day.add({ days: 1 });
  return day.toZonedDateTime({ timeZone, plainTime: cutOff }).epochMilliseconds;
}

test('the next cut-off is that of Temporal, across changes of clocks and holidays', () => {
  fc.assert(
    fc.property(
      fc.constantFrom(...zones),
      fc.constantFrom('16:00', '09:30', '00:30', '23:59'),
      instants,
      (zone, cutOff, instant) => {
        expect(cutOffAt(zone, cutOff, instant)).toBe(byTemporal(zone, cutOff, instant));
      },
    ),
    { numRuns: 1500 },
  );
});

test('it is the first minute from which an order leaves later, also where clocks show or skip it twice', () => {
  fc.assert(
    fc.property(
      fc.constantFrom(...zones),
      fc.constantFrom('02:30', '16:00', '01:45'),
      instants,
      (zone, cutOff, instant) => {
        const estimate = compiled(zone, cutOff);
        const leaves = (at: number) => {
          const found = estimateAt(estimate, localTime(zone, at), at);
          return found.unit === 'workingDays' ? found.leaves : '';
        };
        const next = cutOffAt(zone, cutOff, instant)!;
        expect(next).toBeGreaterThan(instant);
        const first = leaves(instant);
        expect(leaves(next) > first).toBe(true);
        for (let at = next - 60_000; at > instant && at > next - 90 * 60_000; at -= 60_000)
          expect(leaves(at) <= first, new Date(at).toISOString()).toBe(true);
      },
    ),
    { numRuns: 800 },
  );
});
