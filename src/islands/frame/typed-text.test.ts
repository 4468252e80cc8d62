import { describe, expect, test } from 'vitest';
import { parseGrams } from './typed-text.ts';

describe('a weight', () => {
  test.each([
    ['500', 500],
    ['1.5 kg', 1500],
    ['1,5kg', 1500],
    ['2 lb', 907],
    ['12 oz', 340],
    ['16 OZ', 454],
    ['0', 0],
  ])('%s is %i g', (text, grams) => expect(parseGrams(0, 1_000_000)(text)).toEqual({ ok: true, value: grams }));
  test.each(['', 'kg', '-1', '1e3', '1.5 stone', '5 constructor', '2 kg 3', '1001 kg'])('%s is refused', (text) => expect(parseGrams(0, 1_000_000)(text).ok).toBe(false));
  test('none of it weighs less than the least', () => expect(parseGrams(1, 100)('0.4 g').ok).toBe(false));
});
