// Sources: M. Abramowitz and I. Stegun, Handbook of Mathematical Functions (1964), tables 26.1, 26.5 and 26.8 (values from memory,
// to the digits that are common); simple-statistics, a reference library; J. Cohen, Statistical Power Analysis for the Behavioral
// Sciences (1988), table 2.4.1; B. Efron and R. Tibshirani, An Introduction to the Bootstrap (1993), chapter 14, the spatial test
// data (from memory, and held against the variance that the book gives); the public vectors of MurmurHash3.
import { chiSquaredDistributionTable, cumulativeStdNormalProbability } from 'simple-statistics';
import { describe, expect, test } from 'vitest';
import { armOfBucket, bucketOf, buckets } from '../../src/core/experiments/arm-of.ts';
import { accelerationOf, bcaInterval } from '../../src/core/statistics/bca.ts';
import { chiSquareTail, sampleRatioTail } from '../../src/core/statistics/chi-square.ts';
import { alwaysValidDifference } from '../../src/core/statistics/confidence-sequence.ts';
import { nobodyYet, together, withValues, type Running } from '../../src/core/statistics/running.ts';
import { normalCdf, normalQuantile } from '../../src/core/statistics/normal.ts';
import { normal, seededRandom } from '../../src/core/statistics/random.ts';
import { membersForAverages, membersForShares } from '../../src/core/statistics/sample-size.ts';
import murmurhash from 'murmurhash';

describe('the normal distribution', () => {
  test('as it is tabled', () => {
    expect(normalCdf(0)).toBeCloseTo(0.5, 15);
    expect(normalCdf(1)).toBeCloseTo(0.8413447460685429, 13);
    expect(normalCdf(2)).toBeCloseTo(0.9772498680518208, 13);
    expect(normalCdf(-3)).toBeCloseTo(0.0013498980316301, 13);
    expect(normalCdf(-6)).toBeCloseTo(9.86587645e-10, 16);
    expect(normalQuantile(0.975)).toBeCloseTo(1.959963984540054, 10);
    expect(normalQuantile(0.8)).toBeCloseTo(0.8416212335729143, 10);
    expect(normalQuantile(0.995)).toBeCloseTo(2.5758293035489, 10);
    expect(() => normalQuantile(1)).toThrow(RangeError);
  });
  test('as simple-statistics has it, to the four digits of its table', () => {
    for (let z = -3; z <= 3; z += 0.05)
      expect(Math.abs(normalCdf(z) - cumulativeStdNormalProbability(z)), String(z)).toBeLessThan(5.1e-4);
  });
});

describe('chi-square', () => {
  test('as it is tabled', () => {
    for (const [degrees, points] of Object.entries(chiSquaredDistributionTable))
      for (const [share, point] of Object.entries(points))
        // Some points are so small that the table rounds them to 0.
        if (point > 0.1)
          expect(chiSquareTail(point, Number(degrees)), `${degrees} ${share}`).toBeCloseTo(Number(share), 2);
    expect(chiSquareTail(3.841458820694124, 1)).toBeCloseTo(0.05, 10);
    expect(chiSquareTail(18.307038053275146, 10)).toBeCloseTo(0.05, 10);
  });
  test('in closed form for two degrees of freedom, and as the normal distribution for one', () => {
    for (const x of [0.01, 0.5, 2, 7, 40, 200]) {
      expect(chiSquareTail(x, 2) / Math.exp(-x / 2)).toBeCloseTo(1, 12);
      expect(chiSquareTail(x, 1) / (2 * normalCdf(-Math.sqrt(x)))).toBeCloseTo(1, 9);
    }
    expect(chiSquareTail(0, 3)).toBe(1);
  });
  test('finds that 48 and 52 of a hundred are not half each, at 20,000', () => {
    expect(sampleRatioTail([9600, 10_400], [1, 1])).toBeLessThan(1e-7);
    expect(sampleRatioTail([9600, 10_400], [48, 52])).toBe(1);
    expect(sampleRatioTail([9930, 10_070], [1, 1])).toBeGreaterThan(0.3);
    expect(sampleRatioTail([0, 0], [1, 1])).toBe(1);
  });
});

describe('members that are needed', () => {
  test('as Cohen tables them, but for his correction of small samples', () => {
    for (const [effect, tabled] of [
      [0.2, 393],
      [0.5, 64],
      [0.8, 26],
    ] as const) {
      const needed = membersForAverages(effect, 1);
      expect(needed).toBeGreaterThanOrEqual(tabled - 1);
      expect(needed).toBeLessThanOrEqual(tabled);
    }
  });
  test('do not depend on the unit, and are fewest in groups alike', () => {
    expect(membersForAverages(250, 4200)).toBe(membersForAverages(2.5, 42));
    const evenly = 2 * membersForAverages(1, 10);
    const unevenly = 5 * membersForAverages(1, 10, 4);
    expect(unevenly).toBeGreaterThan(evenly);
  });
  test('for shares come to what is found in that many: about 80 of a hundred times', () => {
    const random = seededRandom(5);
    const needed = membersForShares(0.3, 0.34);
    const reaching = (share: number) => {
      const deviation = Math.sqrt(needed * share * (1 - share));
      return needed * share + deviation * normal(random);
    };
    let found = 0;
    for (let time = 0; time < 4000; time++) {
      const [a, b] = [reaching(0.3) / needed, reaching(0.34) / needed];
      const middle = (a + b) / 2;
      if (Math.abs(b - a) / Math.sqrt((2 * middle * (1 - middle)) / needed) > normalQuantile(0.975)) found++;
    }
    expect(found / 4000).toBeGreaterThan(0.77);
    expect(found / 4000).toBeLessThan(0.83);
  });
});

describe('the BCa interval', () => {
  const spatial = [48, 36, 20, 29, 42, 42, 20, 42, 22, 41, 45, 14, 6, 0, 33, 28, 34, 4, 32, 24, 47, 41, 24, 26, 30, 41];
  const variance = (values: readonly number[]) => {
    const mean = values.reduce((sum, value) => sum + value, 0) / values.length;
    return values.reduce((sum, value) => sum + (value - mean) ** 2, 0) / values.length;
  };
  const without = spatial.map((_, index) => variance(spatial.filter((__, other) => other !== index)));

  test('of the variance of the spatial test data is what the book prints', () => {
    expect(variance(spatial)).toBeCloseTo(171.5, 1);
    expect(accelerationOf(without)).toBeCloseTo(0.061, 3);
    const random = seededRandom(14);
    const replications = Array.from({ length: 20_000 }, () =>
      variance(spatial.map(() => spatial[Math.floor(random() * spatial.length)]!)),
    );
    const { low, high } = bcaInterval(variance(spatial), replications, without, 0.1);
    // The book has 115.8 and 259.6 of 2,000 replications.
    expect(Math.abs(low - 115.8)).toBeLessThan(4);
    expect(Math.abs(high - 259.6)).toBeLessThan(6);
  });
  test('of something that does not scatter is that', () => {
    expect(bcaInterval(3, [3, 3, 3, 3], [3, 3, 3])).toEqual({ low: 3, high: 3 });
  });
});

describe('an interval that is valid at every look', () => {
  const running = (values: readonly number[]): Running => withValues(nobodyYet, values);

  test('goes on from what is known, in whatever parts it comes', () => {
    const random = seededRandom(3);
    const values = Array.from({ length: 500 }, () => random() * 10_000);
    const whole = running(values);
    const parts = together(running(values.slice(0, 123)), running(values.slice(123)));
    expect(parts.count).toBe(500);
    expect(parts.mean).toBeCloseTo(whole.mean, 8);
    expect(parts.squares / whole.squares).toBeCloseTo(1, 10);
    expect(together(nobodyYet, whole)).toEqual(whole);
  });

  test('says nothing of few', () => {
    expect(alwaysValidDifference(running([1, 2]), running([3, 4]), { tightest: 1000 })).toBeNull();
  });

  test('holds what is true at all looks of 95 of a hundred experiments with skewed orders, and is less than twice as wide as one of a single look', () => {
    const random = seededRandom(20);
    const [experiments, orders, look] = [400, 4000, 50];
    let [held, wide] = [0, 0];
    for (let one = 0; one < experiments; one++) {
      let [first, second] = [nobodyYet, nobodyYet];
      let holds = true;
      const value = () => Math.exp(8 + 0.7 * normal(random));
      for (let at = 0; at < orders; at += look) {
        first = withValues(first, Array.from({ length: look / 2 }, value));
        second = withValues(second, Array.from({ length: look / 2 }, value));
        const interval = alwaysValidDifference(first, second, { tightest: orders });
        if (interval && (interval.low > 0 || interval.high < 0)) holds = false;
        if (at + look < orders || !interval) continue;
        const single = 1.96 * Math.sqrt(first.squares / first.count ** 2 + second.squares / second.count ** 2);
        wide += (interval.high - interval.low) / 2 / single;
      }
      if (holds) held++;
    }
    expect(held / experiments).toBeGreaterThanOrEqual(0.95);
    expect(wide / experiments).toBeGreaterThan(1);
    expect(wide / experiments).toBeLessThan(2);
  });
});

describe('buckets of shoppers', () => {
  test('the hash is MurmurHash3', () => {
    expect(murmurhash.v3('', 0)).toBe(0);
    expect(murmurhash.v3('', 1)).toBe(0x514e28b7);
    expect(murmurhash.v3('test', 0)).toBe(0xba6bd213);
    expect(murmurhash.v3('Hello, world!', 0)).toBe(0xc0363e43);
    expect(murmurhash.v3('The quick brown fox jumps over the lazy dog', 0)).toBe(0x2e4ff723);
  });
  test('are alike, and one salt tells nothing of another, over a million shoppers', () => {
    const [all, cells] = [1_000_000, 20];
    const counts = new Float64Array(buckets);
    const joint = new Float64Array(cells * cells);
    const cell = (bucket: number) => Math.floor((bucket * cells) / buckets);
    for (let shopper = 0; shopper < all; shopper++) {
      const one = bucketOf('spring', `shopper-${shopper}`);
      counts[one]!++;
      joint[cell(one) * cells + cell(bucketOf('autumn', `shopper-${shopper}`))]!++;
    }
    const tail = (observed: Float64Array) => {
      const expected = all / observed.length;
      return chiSquareTail(
        observed.reduce((sum, count) => sum + (count - expected) ** 2 / expected, 0),
        observed.length - 1,
      );
    };
    expect(tail(counts)).toBeGreaterThan(0.001);
    expect(tail(joint)).toBeGreaterThan(0.001);
  });
  test('go to arms by their shares, and beyond them to none', () => {
    const shares = [5000, 2500];
    expect([0, 4999, 5000, 7499, 7500, 9999].map((bucket) => armOfBucket(bucket, shares))).toEqual([
      0,
      0,
      1,
      1,
      null,
      null,
    ]);
    expect(bucketOf('spring', 'zoë@example.com')).toBe(bucketOf('spring', 'zoë@example.com'));
  });
});
