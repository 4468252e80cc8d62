import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { firstCovering } from './covering-ranges.ts';
import { matchesPattern, parsePostcodePattern } from './postcode.ts';
import { postcodeList } from './postcode-list.ts';

const setOf = (patterns: readonly string[]) => Object.fromEntries(patterns.map((pattern) => [pattern, true as const]));
const read = (text: string) => {
  const parsed = parsePostcodePattern(text);
  if (!parsed.ok) throw new Error(parsed.reason);
  return parsed.pattern;
};

describe('a list of postcode patterns', () => {
  test.each([
    ['1799ZA', '1799ZA'],
    ['1799ZB', '1700..1799'],
    ['1850ZZ', '1000..1999'],
    ['2100ZZ', '21*'],
    ['2150ZZ', '215*'],
    ['9900', null],
    ['', null],
    ['ZZ15', 'ZZ10..ZZ19'],
  ])('%s is covered by %s', (postcode, pattern) => {
    const list = postcodeList(setOf(['1000..1999', '1700..1799', '1799ZA', '21*', '215*', 'ZZ10..ZZ19', '17*']));
    expect(list(postcode)?.pattern.text ?? null).toBe(pattern);
  });
  test('is built once for each object', () => {
    const patterns = setOf(['1']);
    expect(postcodeList(patterns)).toBe(postcodeList(patterns));
    expect(postcodeList(setOf(['1']))).not.toBe(postcodeList(patterns));
  });
  test('a pattern that cannot be read is named', () =>
    expect(() => postcodeList(setOf(['2..1']))).toThrow('"2..1": the range ends before it begins'));

  const code = fc.stringMatching(/^[1-3]{1,3}[AB]{0,2}$/);
  const glob = fc.stringMatching(/^[1-3?*]{0,3}[*?][AB*]{0,1}$/);
  const range = fc.tuple(code, code).map(([a, b]) => (a < b ? `${a}..${b}` : `${b}..${a}`));
  const pattern = fc.oneof(code, glob, range).filter((text) => parsePostcodePattern(text).ok);
  test('gives as specific a pattern as looking through all of them', () => {
    fc.assert(
      fc.property(fc.uniqueArray(pattern, { minLength: 1, maxLength: 25 }), code, (patterns, postcode) => {
        const rank = { exact: 3, range: 2, glob: 1 };
        const all = patterns.map(read).filter((one) => matchesPattern(one, postcode));
        all.sort((a, b) => rank[b.kind] - rank[a.kind] || b.narrowness - a.narrowness);
        const found = postcodeList(setOf(patterns))(postcode);
        expect([found?.pattern.kind, found?.pattern.narrowness]).toEqual([all[0]?.kind, all[0]?.narrowness]);
      }),
      { numRuns: 3000 },
    );
  });
});

test('the first range that covers a point, as by looking through them', () => {
  const range = fc
    .tuple(fc.integer({ min: 0, max: 30 }), fc.integer({ min: 0, max: 8 }))
    .map(([from, length]) => ({ from, to: from + length }));
  fc.assert(
    fc.property(fc.array(range, { maxLength: 12 }), (ranges) => {
      const first = firstCovering(ranges);
      for (let point = -1; point <= 40; point++)
        expect(first(point)).toBe(ranges.find(({ from, to }) => from <= point && point <= to) ?? null);
    }),
  );
});
