import Big from 'big.js';
import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { allocate } from '../../src/core/money/allocate.ts';
import { convertAmount } from '../../src/core/money/convert.ts';
import { roundRatio } from '../../src/core/money/ratio.ts';
import { toCashIncrement } from '../../src/core/money/rounding.ts';

/** Source: the irrevocable conversion rates of Council Regulation (EC) No 2866/98, Article 1: 1 euro in each unit. */
const irrevocable = {
  BEF: '40.3399',
  DEM: '1.95583',
  ESP: '166.386',
  FRF: '6.55957',
  IEP: '0.787564',
  ITL: '1936.27',
  LUF: '40.3399',
  NLG: '2.20371',
  ATS: '13.7603',
  PTE: '200.482',
  FIM: '5.94573',
} as const;
const side = (unit: keyof typeof irrevocable) => ({ rate: irrevocable[unit], exponent: 2 });
const euro = { rate: '1', exponent: 2 };

describe('Council Regulation (EC) No 1103/97', () => {
  // Euro amounts of round national amounts, as printed on conversion tables of the changeover (values from memory).
  test.each([
    ['DEM', 100, 5113],
    ['FRF', 100, 1524],
    ['ITL', 1000, 52],
    ['ESP', 1000, 601],
    ['BEF', 100, 248],
    ['NLG', 100, 4538],
    ['ATS', 100, 727],
    ['PTE', 1000, 499],
    ['FIM', 100, 1682],
    ['IEP', 1, 127],
  ] as const)('Article 4: %s %i to euro cents', (unit, amount, cents) =>
    expect(convertAmount(amount * 100, side(unit), euro)).toBe(cents),
  );
  test('Article 4(1): rates have six significant figures and are used as they are', () => {
    for (const rate of Object.values(irrevocable)) expect(rate.replace('.', '').replace(/^0+/, '')).toHaveLength(6);
    expect(convertAmount(10_000, euro, side('DEM'))).toBe(19558);
  });
  test('Article 4(3): inverse rates are not used: one rounded to six figures would give another amount', () => {
    expect(convertAmount(100_000_000, side('DEM'), euro)).toBe(51_129_188);
    expect(convertAmount(100_000_000, euro, { rate: '0.511292', exponent: 2 })).toBe(51_129_200);
  });
  test('Article 4(4): from one national unit to another by way of the euro', () =>
    expect(convertAmount(10_000, side('DEM'), side('FRF'))).toBe(33539));
  test('Article 5: a result exactly half-way is rounded up', () => {
    expect(convertAmount(1, { rate: '2', exponent: 2 }, euro)).toBe(1);
    expect(convertAmount(3, { rate: '2', exponent: 2 }, euro)).toBe(2);
  });
  // Reference library: big.js, 60 decimals, half up.
  test('any conversion equals that of an arbitrary-precision library', () => {
    const decimal = fc
      .tuple(fc.integer({ min: 1, max: 9999 }), fc.integer({ min: 0, max: 999_999 }))
      .map(([whole, part]) => `${whole}.${String(part).padStart(6, '0')}`);
    const Exact = Big();
    Exact.DP = 60;
    Exact.RM = 1;
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 1e10 }),
        decimal,
        decimal,
        fc.integer({ min: 0, max: 4 }),
        fc.integer({ min: 0, max: 4 }),
        (minor, from, to, ef, et) => {
          const reference = new Exact(minor)
            .times(to)
            .times(new Exact(10).pow(et))
            .div(new Exact(from).times(new Exact(10).pow(ef)))
            .round(0, 1);
          fc.pre(reference.lte(Number.MAX_SAFE_INTEGER));
          expect(convertAmount(minor, { rate: from, exponent: ef }, { rate: to, exponent: et })).toBe(
            reference.toNumber(),
          );
        },
      ),
      { numRuns: 1000 },
    );
  });
});

describe('rounding', () => {
  // IEEE 754-2019, 4.3.1, roundTiesToAway; ISO 80000-1:2009 annex B, rule B.
  test.each([
    [1, 2, 1],
    [3, 2, 2],
    [5, 2, 3],
    [-1, 2, -1],
    [-5, 2, -3],
    [49, 100, 0],
    [51, 100, 1],
  ])('%i/%i to the nearest is %i, ties away from zero', (n, d, expected) => {
    expect(roundRatio({ numerator: BigInt(n), denominator: BigInt(d) })).toBe(expected);
  });
  // Swiss cash rounding to 0.05, common practice there: 1 and 2 down, 3 to 7 to five, 8 and 9 up.
  test('Swiss cash', () => {
    expect([0, 1, 2, 3, 4, 5, 6, 7, 8, 9].map((last) => toCashIncrement(1230 + last, 5))).toEqual([
      1230, 1230, 1230, 1235, 1235, 1235, 1235, 1235, 1240, 1240,
    ]);
  });
});

test('largest remainder: Hamilton’s apportionment of 120 seats by the census of 1790', () => {
  // Source: Balinski & Young, “Fair Representation”, the table of the bill of 1792 (values from memory).
  const population = [
    630_560, 475_327, 432_879, 353_523, 331_589, 278_514, 236_841, 206_236, 179_570, 141_822, 85_533, 70_835, 68_705,
    68_446, 55_540,
  ];
  expect(population.reduce((a, b) => a + b)).toBe(3_615_920);
  expect(allocate(120, population)).toEqual([21, 16, 14, 12, 11, 9, 8, 7, 6, 5, 3, 2, 2, 2, 2]);
});
