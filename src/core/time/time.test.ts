import { describe, expect, test } from 'vitest';
import { dayNumber } from './day.ts';
import { compileEstimate, estimateAt } from './estimate.ts';
import { compileOpenings } from './openings.ts';
import { compileSchedule, isWithin } from './schedule.ts';
import { compileCalendar } from './working-days.ts';
import { instantOfLocal, isTimeZone, localTime, nextClockChange } from './time-zone-clock.ts';

const amsterdam = 'Europe/Amsterdam';
const clocks = { store: amsterdam, market: 'America/New_York' };
const utc = (text: string) => Date.parse(text);

describe('local times', () => {
  test('a time that clocks skip is the moment they jump', () => {
    expect(instantOfLocal(amsterdam, '2027-03-28T02:30', 'earlier')).toBe(utc('2027-03-28T01:00Z'));
    expect(instantOfLocal(amsterdam, '2027-03-28T02:30', 'later')).toBe(utc('2027-03-28T01:00Z'));
  });
  test('a time that clocks show twice is its first or its second showing', () => {
    expect(instantOfLocal(amsterdam, '2026-10-25T02:30', 'earlier')).toBe(utc('2026-10-25T00:30Z'));
    expect(instantOfLocal(amsterdam, '2026-10-25T02:30', 'later')).toBe(utc('2026-10-25T01:30Z'));
  });
  test('what is not a time is refused', () => {
    expect(() => instantOfLocal(amsterdam, '2026-02-30T00:00', 'earlier')).toThrow(/not a local time/);
    expect(isTimeZone('Atlantis/Capital')).toBe(false);
  });
});

describe('schedules', () => {
  test('the first minute is in, the end is out, on the clock they name', () => {
    const span = compileSchedule({ readIn: 'market', from: '2026-11-27T00:00', until: '2026-11-30T00:00' }, clocks);
    expect(
      ['2026-11-27T04:59:59Z', '2026-11-27T05:00Z', '2026-11-30T04:59:59Z', '2026-11-30T05:00Z'].map((at) =>
        isWithin(span, utc(at)),
      ),
    ).toEqual([false, true, true, false]);
  });
  test('across the change of clocks a day has 25 hours', () => {
    const { from, until } = compileSchedule(
      { readIn: 'store', from: '2026-10-25T00:00', until: '2026-10-26T00:00' },
      clocks,
    );
    expect((until - from) / 3_600_000).toBe(25);
  });
  test('of a time shown twice, the reading that covers more', () => {
    const { from, until } = compileSchedule(
      { readIn: 'store', from: '2026-10-25T02:30', until: '2026-10-25T02:45' },
      clocks,
    );
    expect((until - from) / 60_000).toBe(75);
  });
  test('without an end it goes on', () =>
    expect(
      isWithin(compileSchedule({ readIn: 'store', from: '2026-11-01T00:00' }, clocks), utc('2099-01-01T00:00Z')),
    ).toBe(true));
});

describe('estimates', () => {
  const shop = compileCalendar({
    order: 1,
    name: 'Shop',
    workingDays: [1, 2, 3, 4, 5],
    holidays: { '2026-12-25': 'Christmas Day' },
  });
  const parcel = compileEstimate({ min: 1, max: 2, cutOff: '16:00', calendar: 'shop' }, shop, amsterdam);
  const at = (text: string) => estimateAt(parcel, localTime(amsterdam, utc(text)), utc(text));
  test.each([
    ['before the cut-off it leaves the same day', '2026-11-24T14:59Z', ['2026-11-24', '2026-11-25', '2026-11-26']],
    ['at the cut-off it leaves the next', '2026-11-24T15:00Z', ['2026-11-25', '2026-11-26', '2026-11-27']],
    ['late on a Friday it leaves on Monday', '2026-11-27T16:30Z', ['2026-11-30', '2026-12-01', '2026-12-02']],
    ['on a Sunday it leaves on Monday', '2026-11-29T09:00Z', ['2026-11-30', '2026-12-01', '2026-12-02']],
    ['a holiday is no working day', '2026-12-24T09:00Z', ['2026-12-24', '2026-12-28', '2026-12-29']],
    ['the shop’s midnight decides the day, not UTC’s', '2026-11-23T23:30Z', ['2026-11-24', '2026-11-25', '2026-11-26']],
  ])('%s', (_, moment, [leaves, earliest, latest]) =>
    expect(at(moment)).toEqual({ unit: 'workingDays', min: 1, max: 2, leaves, earliest, latest }),
  );

  const beach = compileCalendar({
    order: 1,
    name: 'Beach',
    workingDays: [3, 4, 5, 6, 7],
    opens: '09:30',
    holidays: {},
  });
  const van = compileEstimate({ min: 2, max: 5, unit: 'hours', cutOff: '14:00' }, beach, amsterdam);
  const hours = (text: string) => {
    const estimate = estimateAt(van, localTime(amsterdam, utc(text)), utc(text));
    return estimate.unit === 'hours'
      ? [estimate.starts, estimate.earliest, estimate.latest].map((instant) =>
          new Date(instant).toISOString().slice(0, 16),
        )
      : [];
  };
  test('hours run from the order on a day in time, else from the opening of the next', () => {
    expect(hours('2026-11-25T11:00Z')).toEqual(['2026-11-25T11:00', '2026-11-25T13:00', '2026-11-25T16:00']);
    expect(hours('2026-11-25T05:00Z')[0]).toBe('2026-11-25T08:30');
    expect(hours('2026-11-25T13:00Z')[0]).toBe('2026-11-26T08:30');
    expect(hours('2026-11-29T13:30Z')[0]).toBe('2026-12-02T08:30');
  });
  test('what is collected is there while its place is open', () => {
    const openings = compileOpenings(
      {
        hours: {
          '3': [{ from: '09:30', to: '14:00' }],
          '4': [
            { from: '10:00', to: '12:00' },
            { from: '13:00', to: '00:00' },
          ],
        },
      },
      amsterdam,
    );
    const counter = compileEstimate({ min: 2, max: 4, unit: 'hours' }, compileCalendar(undefined), amsterdam, openings);
    const ready = (text: string) => {
      const estimate = estimateAt(counter, localTime(amsterdam, utc(text)), utc(text));
      return estimate.unit === 'hours'
        ? [estimate.earliest, estimate.latest].map((instant) => new Date(instant).toISOString().slice(0, 16))
        : [];
    };
    // Asked on a Wednesday at 13:53, two hours reach beyond closing at 14:00: Thursday at 10:00.
    expect(ready('2026-11-25T12:53Z')).toEqual(['2026-11-26T09:00', '2026-11-26T09:00']);
    expect(ready('2026-11-25T09:00Z')).toEqual(['2026-11-25T11:00', '2026-11-26T09:00']);
    // At the very minute of closing it is closed.
    expect(ready('2026-11-25T11:00Z')[0]).toBe('2026-11-26T09:00');
    expect(ready('2026-11-26T09:30Z')).toEqual(['2026-11-26T12:00', '2026-11-26T13:30']);
    expect(ready('2026-11-27T12:00Z')[0]).toBe('2026-12-02T08:30');
    const days = compileEstimate({ min: 0, max: 1 }, compileCalendar(undefined), amsterdam, openings);
    expect(estimateAt(days, localTime(amsterdam, utc('2026-11-26T08:00Z')), utc('2026-11-26T08:00Z'))).toMatchObject({
      earliest: '2026-11-26',
      latest: '2026-12-02',
    });
  });
  test('Monday to Friday when no calendar is named', () => {
    expect(compileCalendar(undefined).weekdays).toEqual(new Set([1, 2, 3, 4, 5]));
    expect(dayNumber('1970-01-01')).toBe(0);
  });
});

test('the next change of clocks, to the minute', () => {
  expect(new Date(nextClockChange('Europe/Amsterdam', Date.parse('2026-11-25T11:00Z'))!).toISOString()).toBe(
    '2027-03-28T01:00:00.000Z',
  );
  expect(new Date(nextClockChange('America/New_York', Date.parse('2026-07-01T00:00Z'))!).toISOString()).toBe(
    '2026-11-01T06:00:00.000Z',
  );
  expect(nextClockChange('Asia/Tokyo', Date.parse('2026-11-25T11:00Z'))).toBeNull();
});
