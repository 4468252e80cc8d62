import fc from 'fast-check';
import { expect, test } from 'vitest';
import { linesNeeded } from './lines-needed.ts';

/** Every letter is one wide. */
const measure = (piece: string) => [...piece].length;
const lines = (text: string, width: number, language = 'en') => linesNeeded(text, language, width, measure);

test('lines are broken between words, and inside one that is wider than a line', () => {
  expect(lines('', 10)).toBe(0);
  expect(lines('one two', 7)).toBe(1);
  expect(lines('one two', 6)).toBe(2);
  expect(lines('one two three', 7)).toBe(2);
  expect(lines('abcdefghij', 4)).toBe(3);
  expect(lines('ab cdefghij', 4)).toBe(3);
});
test('signs stay with their word; a script without spaces breaks at its words', () => {
  expect(lines('so, so', 3)).toBe(2);
  expect(lines('送料無料になりました。', 6, 'ja')).toBeGreaterThanOrEqual(2);
});
test('never fewer than the text is long, never more than a line a letter', () => {
  fc.assert(
    fc.property(
      fc.array(fc.string({ minLength: 1, maxLength: 8, unit: fc.constantFrom(...'abcdef,.') }), {
        minLength: 1,
        maxLength: 12,
      }),
      fc.integer({ min: 1, max: 20 }),
      (words, width) => {
        const text = words.join(' ');
        const letters = words.join('').length;
        expect(lines(text, width)).toBeGreaterThanOrEqual(Math.ceil(letters / width));
        expect(lines(text, width)).toBeLessThanOrEqual(text.length);
      },
    ),
  );
});
