import { describe, expect, test } from 'vitest';
import { parseGrams, parseMeasured } from './typed-text.ts';

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
  test.each(['', 'kg', '-1', '1e3', '1.5 stone', '5 constructor', '2 kg 3', '1001 kg'])('%s is refused', (text) =>
    expect(parseGrams(0, 1_000_000)(text).ok).toBe(false),
  );
  test('is read where a weight is what counts, a whole number elsewhere', () => {
    for (const measure of ['weight', 'cart.chargeableWeight'])
      expect(parseMeasured(measure, 0, 10_000)('2 kg')).toEqual({ ok: true, value: 2000 });
    for (const measure of ['items', 'cart.volume'])
      expect([parseMeasured(measure, 0, 10)('2 kg').ok, parseMeasured(measure, 0, 10)('2').ok]).toEqual([false, true]);
  });
  test('none of it weighs less than the least', () => expect(parseGrams(1, 100)('0.4 g').ok).toBe(false));
});
