import { expect, test } from 'vitest';
import { readInUnit } from './read-in-unit.ts';

// Factors: NIST Special Publication 811 (2008), appendix B.8.
test.each([
  ['1.234,5', 'comma', 'kg', 1_234_500],
  ['0.0004', 'point', 'kg', 0],
  ['2.2', 'point', 'lb', 998],
  ['12', 'point', 'oz', 340],
  ['14,5', 'comma', 'in', 368],
  ['30.25', 'point', 'cm', 303],
  ['850', 'point', 'g', 850],
] as const)('%s with a %s in %s is %i', (text, mark, unit, whole) => expect(readInUnit(text, mark, unit)).toBe(whole));

test.each([
  ['-1', 'g'],
  ['heavy', 'lb'],
  ['2000000', 'kg'],
  ['9999999', 'lb'],
] as const)('%s %s is no weight', (text, unit) => expect(readInUnit(text, 'point', unit)).toBeNull());
