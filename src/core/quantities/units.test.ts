import { describe, expect, test } from 'vitest';
import { inWholes, lengthUnits, readMeasure, weightUnits } from './units.ts';

/** NIST Special Publication 811 (2008), appendix B.8: factors in bold there, which are exact, for a million of each unit. */
describe('units of NIST SP 811', () => {
  test.each([
    // pound (avoirdupois) (lb): 4.5359237 E−01 kg
    [weightUnits.lb, 453_592_370],
    // ounce (avoirdupois) (oz): 2.8349523125 E−02 kg, here of a million 28 349 523.125 g
    [weightUnits.oz, 28_349_523],
    // kilogram, tonne
    [weightUnits.kg, 1_000_000_000],
    // inch (in): 2.54 E−02 m; foot (ft): 3.048 E−01 m
    [lengthUnits.in, 25_400_000],
    [lengthUnits.ft, 304_800_000],
    [lengthUnits.cm, 10_000_000],
  ])('%# is exact', (unit, million) => expect(inWholes('1000000', unit)).toBe(million));

  test('sixteen ounces are a pound, twelve inches a foot', () => {
    expect(weightUnits.oz.factor.numerator * 16n * weightUnits.lb.factor.denominator).toBe(
      weightUnits.lb.factor.numerator * weightUnits.oz.factor.denominator,
    );
    expect(inWholes('12', lengthUnits.in)).toBe(inWholes('1', lengthUnits.ft));
  });
});

test('what is written is read, halves rounded up', () => {
  expect(readMeasure('14,5 in', lengthUnits)).toBe(368);
  expect(readMeasure('2.5"', lengthUnits)).toBe(64);
  expect(readMeasure('0.5', weightUnits)).toBe(1);
  expect(readMeasure('8.8 constructor', weightUnits)).toBeNull();
  expect(readMeasure('1e3', weightUnits)).toBeNull();
});
