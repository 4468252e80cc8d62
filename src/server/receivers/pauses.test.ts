import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { askedPause, isLeftAlone, nextTry } from './pauses.ts';

const hour = 3_600_000;
const madeAt = Date.UTC(2027, 4, 1);

describe('a call that does not arrive', () => {
  test('is made again after pauses that grow, for a day', () => {
    const pauses: number[] = [];
    for (let tries = 1, now = madeAt, next; (next = nextTry(tries, madeAt, now)) !== null; tries++, now = next)
      pauses.push((next - now) / 60_000);
    expect(pauses).toEqual([0.5, 1, 2, 4, 8, 16, 32, 64, 128, 240, 240, 240, 240]);
    const all = pauses.reduce((sum, pause) => sum + pause, 0) / 60;
    expect(all).toBeLessThanOrEqual(24);
    expect(all).toBeGreaterThan(20);
  });
  test('a receiver that asks for longer is left in peace for longer, within bounds', () => {
    expect(nextTry(1, madeAt, madeAt, 120_000)).toBe(madeAt + 120_000);
    expect(nextTry(1, madeAt, madeAt, 1000)).toBe(madeAt + 30_000);
    expect(nextTry(1, madeAt, madeAt, 1000 * hour)).toBe(madeAt + 4 * hour);
  });
  test('is never made again at once, nor later than a day after it was made', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 65_535 }),
        fc.integer({ min: 0, max: 48 * hour }),
        fc.double({ min: 0, noNaN: true }),
        (tries, passed, asked) => {
          const next = nextTry(tries, madeAt, madeAt + passed, asked);
          if (next === null) return passed > 19 * hour;
          return next >= madeAt + passed + 30_000 && next <= madeAt + 24 * hour;
        },
      ),
    );
  });
  test('leaves its receiver alone once nothing has arrived for three days', () => {
    expect(isLeftAlone(madeAt, madeAt + 71 * hour)).toBe(false);
    expect(isLeftAlone(madeAt, madeAt + 72 * hour)).toBe(true);
  });
});

// RFC 9110, 10.2.3: seconds or an HTTP date. Its examples.
test('Retry-After is seconds or a date', () => {
  expect(askedPause('120', madeAt)).toBe(120_000);
  const date = 'Fri, 31 Dec 1999 23:59:59 GMT';
  expect(askedPause(date, Date.UTC(1999, 11, 31, 23, 59, 0))).toBe(59_000);
  expect(askedPause(date, madeAt)).toBe(0);
  expect(askedPause('soon', madeAt)).toBe(0);
  expect(askedPause(null, madeAt)).toBe(0);
});
