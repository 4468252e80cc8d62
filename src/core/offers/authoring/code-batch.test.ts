import { webcrypto } from 'node:crypto';
import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { codeBatch, codeLetters, guessOdds } from './code-batch.ts';

const random = (bytes: number) => webcrypto.getRandomValues(new Uint8Array(bytes));

describe('a batch of codes', () => {
  test('has the number, length and letters asked for, none twice and none of those taken', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 300 }),
        fc.integer({ min: 6, max: 20 }),
        fc.constantFrom('', 'GUST-'),
        (count, length, begin) => {
          const codes = codeBatch(count, length, begin, random);
          expect(new Set(codes).size).toBe(count);
          for (const code of codes) expect(code).toMatch(new RegExp(`^${begin}[${codeLetters}]{${length}}$`));
          expect(codeBatch(count, length, begin, random, new Set(codes)).some((code) => codes.includes(code))).toBe(
            false,
          );
        },
      ),
      { numRuns: 40 },
    );
  });
  test('letters are equally likely: a chi-square of 60,000 of them stays within its range', () => {
    const counts = new Map([...codeLetters].map((letter) => [letter, 0]));
    for (const code of codeBatch(3000, 20, '', random))
      for (const letter of code) counts.set(letter, counts.get(letter)! + 1);
    const expected = 60_000 / codeLetters.length;
    const chi = [...counts.values()].reduce((sum, count) => sum + (count - expected) ** 2 / expected, 0);
    // 29 degrees of freedom: 76.6 is passed once in 300,000 times (Abramowitz & Stegun, Handbook of Mathematical Functions, 26.4.17).
    expect(chi).toBeLessThan(76.6);
  });
  test('is refused where it could be found by trying, or is too short', () => {
    expect(() => codeBatch(1, 5, '', random)).toThrow(RangeError);
    expect(() => codeBatch(800_000, 6, '', random)).toThrow(RangeError);
  });
});

describe('odds', () => {
  test('of guessing grow with the number of codes', () => expect(guessOdds(5000, 8)).toBeCloseTo(5000 / 30 ** 8, 20));
});
