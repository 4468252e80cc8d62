import { expect, test } from 'vitest';
import { timeLeft } from './countdown.ts';

const at = (text: string) => Date.parse(text);

test('whole days of the calendar, then the time that really passes', () => {
  expect(timeLeft(at('2026-11-25T10:00:00Z'), at('2026-11-27T13:30:15Z'), 'Europe/Amsterdam')).toEqual({
    days: 2,
    hours: 3,
    minutes: 30,
    seconds: 15,
  });
});
test('a day on which clocks go forward is one day, and its last hours are true', () => {
  // Europe/Amsterdam, 29 March 2026: 23 hours.
  expect(timeLeft(at('2026-03-28T11:00:00Z'), at('2026-03-29T10:00:00Z'), 'Europe/Amsterdam')).toEqual({
    days: 1,
    hours: 0,
    minutes: 0,
    seconds: 0,
  });
  expect(timeLeft(at('2026-03-28T23:30:00Z'), at('2026-03-29T01:30:00Z'), 'Europe/Amsterdam')).toEqual({
    days: 0,
    hours: 2,
    minutes: 0,
    seconds: 0,
  });
});
test('nothing is left at the end and after it', () => {
  expect(timeLeft(5, 5, 'UTC')).toBeNull();
  expect(timeLeft(6, 5, 'UTC')).toBeNull();
});
