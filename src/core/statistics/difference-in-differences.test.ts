import { describe, expect, test } from 'vitest';
import type { Running } from './running.ts';
import { differenceInDifferences, type Panel } from './difference-in-differences.ts';
import { normal, seededRandom } from './random.ts';

/** A window of so many orders whose average scatters as that of orders does. @param relative deviation of an order */
const window = (random: () => number, count: number, mean: number, relative = 0.6): Running => ({
  count,
  mean: mean * (1 + (relative / Math.sqrt(count)) * normal(random)),
  squares: (count - 1) * (mean * relative) ** 2,
});
const exact = (count: number, mean: number): Running => ({ count, mean, squares: count * 100 });

/** How often what is true lies within the interval, over simulated panels. @param apart of markets by themselves */
function coverage(others: number, apart: number, effect: number): { held: number; lean: number } {
  const random = seededRandom(4007);
  const times = 3000;
  let [held, lean] = [0, 0];
  for (let time = 0; time < times; time++) {
    const season = Math.exp(0.1 * normal(random));
    const panel = (mean: number, count: number, more: number): Panel => ({
      before: window(random, count, mean),
      after: window(random, count, mean * season * Math.exp(apart * normal(random)) * (1 + more)),
    });
    const treated = panel(7500, 4000, effect);
    const control = Array.from({ length: others }, (_, index) => panel([90, 560, 65, 12_000, 80, 95][index]!, 3000, 0));
    const { low, high, relative } = differenceInDifferences(treated, control)!;
    if (low <= effect && effect <= high) held++;
    lean += relative - effect;
  }
  return { held: held / times, lean: lean / times };
}

describe('a difference of differences', () => {
  test('is what is left of a change once what changed elsewhere is taken off, whatever the currency', () => {
    const treated = { before: exact(1000, 50), after: exact(1000, 66) };
    const others = [
      { before: exact(1000, 5000), after: exact(1000, 5500) },
      { before: exact(1000, 80), after: exact(1000, 88) },
    ];
    const changed = differenceInDifferences(treated, others)!;
    expect(changed.relative).toBeCloseTo(0.2, 10);
    expect(changed.expected).toBeCloseTo(55, 10);
    expect(changed.low).toBeLessThan(0.2);
    expect(changed.high).toBeGreaterThan(0.2);
    expect(changed.apart).toBe(0);
    expect(differenceInDifferences(treated, others.slice(0, 1))!.apart).toBeNull();
  });

  test('holds what is true in 95 of a hundred panels where markets go along, in more than 90 where they go apart by themselves, and leans to no side', () => {
    for (const [others, apart, effect, least] of [
      [1, 0, 0, 0.935],
      [6, 0, 0.05, 0.94],
      [6, 0.02, 0.05, 0.9],
      [6, 0.05, 0.05, 0.92],
    ] as const) {
      const { held, lean } = coverage(others, apart, effect);
      expect([others, apart, held >= least, held]).toEqual([others, apart, true, held]);
      expect(Math.abs(lean)).toBeLessThan(0.005);
    }
  });

  test('says nothing of few orders, or without another market', () => {
    const panel = { before: exact(1000, 50), after: exact(1000, 60) };
    expect(differenceInDifferences(panel, [])).toBeNull();
    expect(differenceInDifferences({ ...panel, after: exact(20, 60) }, [panel])).toBeNull();
    expect(differenceInDifferences({ ...panel, after: exact(1000, 0) }, [panel])).toBeNull();
    expect(differenceInDifferences(panel, [{ ...panel, before: exact(3, 50) }])).toBeNull();
    const same = { count: 1000, mean: 495, squares: 0 };
    expect(differenceInDifferences(panel, [{ before: same, after: same }])).toBeNull();
  });
});
