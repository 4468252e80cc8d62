import fc from 'fast-check';
import { expect, test } from 'vitest';
import { changesInTime, type CostOf } from '../../src/core/reading/stretches.ts';

/**
 * Yearly flow of the Nile at Aswan, 1871 to 1970, in 10⁸ m³: G. Cobb, The problem of the Nile: conditional solution to a
 * change-point problem, Biometrika 65 (1978), which finds one change, after 1898. The numbers are from memory.
 */
const nile = [
  1120, 1160, 963, 1210, 1160, 1160, 813, 1230, 1370, 1140, 995, 935, 1110, 994, 1020, 960, 1180, 799, 958, 1140, 1100,
  1210, 1150, 1250, 1260, 1220, 1030, 1100, 774, 840, 874, 694, 940, 833, 701, 916, 692, 1020, 1050, 969, 831, 726, 456,
  824, 702, 1120, 1100, 832, 764, 821, 768, 845, 864, 862, 698, 845, 744, 796, 1040, 759, 781, 865, 845, 944, 984, 897,
  822, 1010, 771, 676, 649, 846, 812, 742, 801, 1040, 860, 874, 848, 890, 744, 749, 838, 1050, 918, 986, 797, 923, 975,
  815, 1020, 906, 901, 1170, 912, 746, 919, 718, 714, 740,
];

/** Squared distance from the average of a part: what it costs when levels change and the scatter does not. */
function squaresOf(values: readonly number[]): CostOf {
  return (from, to) => {
    const part = values.slice(from, to);
    const mean = part.reduce((sum, value) => sum + value, 0) / part.length;
    return part.reduce((sum, value) => sum + (value - mean) ** 2, 0);
  };
}

test('the Nile flowed less from 1899 on, and changed but that once', () => {
  const cost = squaresOf(nile);
  // Schwarz’s criterion: level and place of a change are two parameters, in units of the variance within the two parts.
  const variance = (cost(0, 28) + cost(28, 100)) / 98;
  expect(changesInTime(nile.length, cost, 2 * Math.log(nile.length) * variance).map((at) => 1871 + at)).toEqual([1899]);
});

test('no other way of cutting costs less, tried one by one', () => {
  const whole = fc.array(fc.integer({ min: 0, max: 20 }), { minLength: 1, maxLength: 11 });
  fc.assert(
    fc.property(whole, fc.constantFrom(1, 10, 60), (values, penalty) => {
      const cost = squaresOf(values);
      const costOf = (changes: readonly number[]) =>
        [0, ...changes].reduce(
          (sum, from, i) => sum + cost(from, changes[i] ?? values.length),
          penalty * changes.length,
        );
      let least = Infinity;
      for (let chosen = 0; chosen < 2 ** (values.length - 1); chosen++)
        least = Math.min(least, costOf(values.slice(1).flatMap((_, i) => (chosen & (2 ** i) ? [i + 1] : []))));
      expect(costOf(changesInTime(values.length, cost, penalty))).toBeCloseTo(least, 6);
    }),
    { numRuns: 150 },
  );
});
