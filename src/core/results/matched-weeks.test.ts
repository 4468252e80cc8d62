import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { matchedWeeks } from './matched-weeks.ts';
import { windowsAround } from './windows-around.ts';

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

describe('windows around a change', () => {
  const asked = { known: { from: 0, to: 800 }, free: { from: 0, to: 800 }, base: 'before', weeks: null } as const;

  test('are as many weeks as there are, or as are wanted, next to the change', () => {
    expect(windowsAround(500, asked)).toMatchObject({ weeks: 8, most: 8 });
    expect(windowsAround(500, { ...asked, weeks: 2 })).toEqual({
      weeks: 2,
      most: 8,
      windows: { before: { from: 486, to: 500 }, after: { from: 501, to: 515 } },
    });
    expect(windowsAround(500, { ...asked, weeks: 8, free: { from: 470, to: 530 } })).toMatchObject({
      weeks: 4,
      most: 4,
    });
    expect(windowsAround(500, { ...asked, free: { from: 495, to: 800 } })).toBeNull();
  });
  test('lie a year earlier on the same weekdays, whatever was changed before', () => {
    expect(windowsAround(500, { ...asked, base: 'yearBefore', weeks: 3, free: { from: 499, to: 800 } })).toEqual({
      weeks: 3,
      most: 8,
      windows: { before: { from: 137, to: 158 }, after: { from: 501, to: 522 } },
    });
    expect(windowsAround(300, { ...asked, base: 'yearBefore' })).toBeNull();
  });
});
