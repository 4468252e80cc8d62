import fc from 'fast-check';
import { expect, test } from 'vitest';
import { roundest } from './roundest.ts';

test.each([
  [7330, 7690, 7500],
  [7420, 7490, 7450],
  [9801, 10_200, 10_000],
  [4, 4, 4],
  [0, 3, 0],
  [7410, 8590, 8000],
])('between %d and %d the roundest is %d', (from, to, found) => {
  expect(roundest(from, to)).toBe(found);
});

test('of several equally round ones the nearest to what is preferred is taken', () => {
  expect(roundest(6000, 9900, 8100)).toBe(8000);
  expect(roundest(1000, 4900, 3900)).toBe(4000);
  expect(roundest(7.2, 7.8)).toBeNull();
});

test('lies in the stretch, and no coarser step has a multiple in it', () => {
  fc.assert(
    fc.property(fc.nat(1_000_000), fc.nat(100_000), fc.double({ min: 0, max: 1, noNaN: true }), (from, more, share) => {
      const found = roundest(from, from + more, from + share * more)!;
      expect(found).toBeGreaterThanOrEqual(from);
      expect(found).toBeLessThanOrEqual(from + more);
      const roundness = (amount: number) =>
        [1e7, 5e6, 1e6, 5e5, 1e5, 50_000, 10_000, 5000, 1000, 500, 100, 50, 10, 5, 1].find(
          (step) => amount % step === 0,
        )!;
      const best = roundness(found);
      for (let tried = 0; tried < 50; tried++)
        expect(roundness(from + Math.round((more * tried) / 49))).toBeLessThanOrEqual(best);
    }),
    { numRuns: 200 },
  );
});
