import fc from 'fast-check';
import { expect, test } from 'vitest';
import { monthsAround, overlapOf } from './overlaps.ts';

test('two spans share what lies in both, whichever is named first', () => {
  const span = fc
    .tuple(fc.integer({ min: 0, max: 50 }), fc.integer({ min: 1, max: 20 }))
    .map(([from, length]) => ({ from, until: from + length }));
  fc.assert(
    fc.property(span, span, fc.integer({ min: 0, max: 70 }), (a, b, at) => {
      const shared = overlapOf(a, b);
      const within = ({ from, until }: { from: number; until: number }) => at >= from && at < until;
      expect(shared !== null && within(shared)).toBe(within(a) && within(b));
      expect(overlapOf(b, a)).toEqual(shared);
    }),
  );
  expect(overlapOf({ from: -Infinity, until: 5 }, { from: 5, until: Infinity })).toBeNull();
});
test('months begin before now and end after the last end', () => {
  const now = Date.parse('2026-11-25T12:00Z');
  const iso = (months: number[]) => months.map((month) => new Date(month).toISOString().slice(0, 10));
  expect(iso(monthsAround([], now, 6))).toEqual([
    '2026-10-01',
    '2026-11-01',
    '2026-12-01',
    '2027-01-01',
    '2027-02-01',
    '2027-03-01',
    '2027-04-01',
  ]);
  expect(iso(monthsAround([{ from: Date.parse('2027-03-26'), until: Date.parse('2027-08-29') }], now, 6)).at(-1)).toBe(
    '2027-09-01',
  );
  expect(monthsAround([{ from: now, until: Date.parse('2060-01-01') }], now, 6)).toHaveLength(36);
});
