import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { emptyColumns } from '../orders/columns.ts';
import { nobodyYet, withValues } from '../statistics/running.ts';
import { matchedWeeks } from './matched-weeks.ts';
import { windowFigures } from './window-figures.ts';

describe('matched weeks', () => {
  test('are as many before a change as after it, without its day', () => {
    expect(matchedWeeks(100, { from: 0, to: 200 })).toEqual({
      weeks: 8,
      before: { from: 44, to: 100 },
      after: { from: 101, to: 157 },
    });
    expect(matchedWeeks(100, { from: 80, to: 200 })).toMatchObject({ weeks: 2 });
    expect(matchedWeeks(100, { from: 0, to: 123 })).toMatchObject({ weeks: 3, after: { from: 101, to: 122 } });
  });
  test('end before the next change', () => {
    expect(matchedWeeks(100, { from: 0, to: 200 }, 110)).toMatchObject({ weeks: 1, after: { from: 101, to: 108 } });
    expect(matchedWeeks(100, { from: 0, to: 200 }, 107)).toBeNull();
  });
  test('have every weekday as often, and lie within what is known', () => {
    fc.assert(
      fc.property(fc.nat(400), fc.nat(400), fc.nat(400), fc.option(fc.nat(400)), (change, from, more, until) => {
        const known = { from, to: from + more };
        const matched = matchedWeeks(change, known, until);
        if (!matched) return;
        for (const { from: first, to } of [matched.before, matched.after]) {
          expect((to - first) % 7).toBe(0);
          expect(to - first).toBe(matched.weeks * 7);
          expect(first).toBeGreaterThanOrEqual(known.from);
          expect(to).toBeLessThanOrEqual(Math.min(known.to, until ?? known.to));
        }
        expect(matched.before.to).toBe(change);
        expect(matched.after.from).toBe(change + 1);
      }),
    );
  });
});

describe('the figures of a window', () => {
  test('are those of its orders, and of what is known of them', () => {
    const columns = emptyColumns(6);
    columns.goods.set([2000, 8000, 6000, 9000, 100, 7500]);
    columns.delivery.set([595, 0, 595, -1, 0, 0]);
    columns.day.set([10, 10, 11, 12, 17, 9]);
    columns.shopper.set([1, 2, 0, 1, 1, 1]);
    const figures = windowFigures(columns, { from: 10, to: 17 }, 7500);
    expect(figures.orders).toBe(4);
    expect(figures.value).toEqual(withValues(nobodyYet, [2000, 8000, 6000, 9000]));
    expect(figures.reaching).toEqual({ count: 4, mean: 0.5, squares: 1 });
    expect(figures.delivery.count).toBe(3);
    expect(figures.delivery.mean).toBeCloseTo(1190 / 3, 10);
    expect(figures.free.mean).toBeCloseTo(1 / 3, 10);
    expect(figures.fresh).toMatchObject({ count: 3, mean: 2 / 3 });
    expect(windowFigures(columns, { from: 10, to: 17 }, null).reaching.mean).toBe(0);
    expect(windowFigures(columns, { from: 30, to: 37 }, 7500).value).toEqual(nobodyYet);
  });
});
