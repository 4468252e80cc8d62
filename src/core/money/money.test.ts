import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { allocate } from './allocate.ts';
import { parseAmount, toDecimal } from './decimal.ts';
import { formatMoney, formatNumber } from './format.ts';
import { includedTax, multiplyDivide, percentAsFraction } from './rounding.ts';

describe('multiplyDivide', () => {
  test('rounds half away from zero, once', () => {
    expect(multiplyDivide(5, 1, 2)).toBe(3);
    expect(multiplyDivide(-5, 1, 2)).toBe(-3);
    expect(multiplyDivide(1, 1, 3)).toBe(0);
    expect(multiplyDivide(2, 1, 3)).toBe(1);
  });
  test('is exact where floating point is not', () => {
    expect(multiplyDivide(1_000_000_000_001, 1_000_003, 1_000_003)).toBe(1_000_000_000_001);
  });
  test('the error is at most half a unit', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: -1e9, max: 1e9 }),
        fc.integer({ min: -1e5, max: 1e5 }),
        fc.integer({ min: 1, max: 1e5 }),
        (a, b, divisor) => {
          const error = BigInt(multiplyDivide(a, b, divisor)) * BigInt(divisor) - BigInt(a) * BigInt(b);
          expect((error < 0n ? -error : error) * 2n <= BigInt(divisor)).toBe(true);
        },
      ),
    );
  });
  test('refuses fractions and results that no number holds', () => {
    expect(() => multiplyDivide(0.5, 1, 1)).toThrow(RangeError);
    expect(() => multiplyDivide(1, 1, 0)).toThrow(RangeError);
    expect(() => multiplyDivide(Number.MAX_SAFE_INTEGER, 2, 1)).toThrow(/too large/);
  });
});

describe('percentages', () => {
  test('are exact fractions', () => {
    expect(percentAsFraction('5.5')).toEqual({ numerator: 55, denominator: 1000 });
    expect(() => percentAsFraction('5,5')).toThrow(RangeError);
  });
  test('included tax of 5.95 at 21 % is 1.03', () => expect(includedTax(595, percentAsFraction('21'))).toBe(103));
});

describe('allocate', () => {
  test('ties go to the earlier part', () => expect(allocate(100, [1, 1, 1])).toEqual([34, 33, 33]));
  test('refuses to split something over nothing', () => {
    expect(() => allocate(1, [0, 0])).toThrow(RangeError);
    expect(allocate(0, [0, 0])).toEqual([0, 0]);
  });
  test('parts add up, and none is a whole unit off its share', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 1e9 }),
        fc.array(fc.integer({ min: 0, max: 1e6 }), { minLength: 1, maxLength: 9 }),
        (amount, weights) => {
          fc.pre(weights.some((weight) => weight > 0));
          const parts = allocate(amount, weights);
          const total = weights.reduce((a, b) => a + b, 0);
          expect(parts.reduce((a, b) => a + b, 0)).toBe(amount);
          for (const [i, part] of parts.entries())
            expect(Math.abs(part - (amount * weights[i]!) / total)).toBeLessThan(1.001);
        },
      ),
    );
  });
});

describe('amounts as text', () => {
  test('decimal strings follow the currency', () => {
    expect(toDecimal(6000, 'EUR')).toBe('60.00');
    expect(toDecimal(6000, 'JPY')).toBe('6000');
    expect(toDecimal(5, 'BHD')).toBe('0.005');
    expect(toDecimal(-5, 'EUR')).toBe('-0.05');
  });
  test('what is written can be read back', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 1e11 }),
        fc.constantFrom('EUR', 'JPY', 'BHD', 'CLF'),
        (minor, currency) =>
          void expect(parseAmount(toDecimal(minor, currency), currency)).toEqual({ ok: true, minor }),
      ),
    );
  });
  test('nothing is guessed', () => {
    expect(parseAmount('60,5', 'EUR')).toEqual({ ok: true, minor: 6050 });
    expect(parseAmount('1.234', 'EUR')).toMatchObject({ ok: false });
    expect(parseAmount('12.5', 'JPY')).toMatchObject({ ok: false, reason: 'JPY has no decimals.' });
    expect(parseAmount('-3', 'EUR')).toMatchObject({ ok: false });
    expect(parseAmount('', 'EUR')).toMatchObject({ ok: false });
  });
  test('shown in a language, exactly', () => {
    expect(formatMoney(123456789012345, 'EUR', 'en-GB')).toBe('€1,234,567,890,123.45');
    expect(formatMoney(1200, 'JPY', 'en-GB')).toBe('JP¥1,200');
    // However many have been written before.
    for (let minor = 0; minor < 25_000; minor++) formatMoney(minor, 'EUR', 'en-GB');
    expect([formatMoney(24_999, 'EUR', 'en-GB'), formatMoney(1200, 'JPY', 'en-GB')]).toEqual(['€249.99', 'JP¥1,200']);
    expect(formatNumber(7500, 'EUR', 'nl-NL')).toBe('75,00');
  });
});
