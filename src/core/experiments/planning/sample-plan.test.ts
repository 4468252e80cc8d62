import { describe, expect, test } from 'vitest';
import { alwaysValidDifference } from '../../statistics/confidence-sequence.ts';
import { nobodyYet, withValues } from '../../statistics/running.ts';
import { normal, seededRandom } from '../../statistics/random.ts';
import { membersForAverages } from '../../statistics/sample-size.ts';
import { effectFound, planExperiment, type Planned } from './sample-plan.ts';

const planned: Planned = {
  effect: 500,
  deviation: 4000,
  shares: [5000, 5000],
  week: [100, 100, 100, 100, 150, 200, 250],
};

describe('a plan', () => {
  test('takes more orders than a single look would, and less than three times as many', () => {
    const { orders } = planExperiment(planned, 1);
    const single = 2 * membersForAverages(500, 4000);
    expect(orders).toBeGreaterThan(single);
    expect(orders).toBeLessThan(3 * single);
  });

  test('counts days by the shape of the store’s week, from the day it begins on', () => {
    const { orders, days } = planExperiment(planned, 1);
    const weeks = Math.floor(orders / 1000);
    const rest = orders - weeks * 1000;
    const along = (from: number) => {
      let [left, more] = [rest, 0];
      while (left > 0) left -= planned.week[(from - 1 + more++) % 7]!;
      return more;
    };
    expect(days).toBe(weeks * 7 + along(1));
    expect(planExperiment(planned, 6).days).toBe(weeks * 7 + along(6));
  });

  test('takes longer with fewer shoppers taking part, unlike shares, a smaller effect or more certainty', () => {
    const { orders, days } = planExperiment(planned, 1);
    expect(planExperiment({ ...planned, shares: [1000, 1000] }, 1)).toEqual({ orders, days: expect.any(Number) });
    expect(planExperiment({ ...planned, shares: [1000, 1000] }, 1).days!).toBeGreaterThan(4 * days!);
    expect(planExperiment({ ...planned, shares: [9000, 1000] }, 1).orders).toBeGreaterThan(2 * orders);
    expect(planExperiment({ ...planned, effect: 250 }, 1).orders / orders).toBeCloseTo(4, 1);
    expect(planExperiment({ ...planned, certainty: { error: 0.01, power: 0.8 } }, 1).orders).toBeGreaterThan(orders);
    expect(planExperiment({ ...planned, certainty: { error: 0.05, power: 0.9 } }, 1).orders).toBeGreaterThan(orders);
  });

  test('says that a store without orders would wait for ever', () => {
    expect(planExperiment({ ...planned, week: [0, 0, 0, 0, 0, 0, 0] }, 3).days).toBeNull();
    expect(planExperiment({ ...planned, effect: 0.01 }, 3).days).toBeNull();
  });

  test('finds an effect that is there about as often as it promises, also in skewed orders', () => {
    const random = seededRandom(11);
    // Orders whose logarithm is normal, with the deviation that was planned with.
    const [middle, spread] = [8, 0.7];
    const deviation = Math.sqrt((Math.exp(spread ** 2) - 1) * Math.exp(2 * middle + spread ** 2));
    const effect = deviation / 7;
    const { orders } = planExperiment({ ...planned, effect, deviation }, 1);
    const values = (more: number) =>
      Array.from({ length: orders / 2 }, () => Math.exp(middle + spread * normal(random)) + more);
    let found = 0;
    for (let time = 0; time < 500; time++) {
      const interval = alwaysValidDifference(withValues(nobodyYet, values(0)), withValues(nobodyYet, values(effect)), {
        tightest: orders,
      });
      if (interval!.low > 0) found++;
    }
    expect(found / 500).toBeGreaterThan(0.74);
    expect(found / 500).toBeLessThan(0.87);
  });

  test('finds its effect with as many orders as it says, and not with one fewer', () => {
    for (const effect of [250, 500, 1111]) {
      const { orders } = planExperiment({ ...planned, effect }, 1);
      expect(effectFound(orders, planned)).toBeLessThanOrEqual(effect);
      expect(effectFound(orders - 1, planned)).toBeGreaterThan(effect);
    }
    expect(effectFound(0, planned)).toBe(Infinity);
  });
});
