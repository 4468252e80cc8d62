import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { coveredPatterns, readPastedPostcodes } from './pasted-postcodes.ts';

describe('postcodes as they are pasted', () => {
  test('lines, commas, semicolons, tabs and quotes; normalised, each once', () => {
    expect(readPastedPostcodes('1799 ZA\r\n1799za, 8891..8899;"17*"\t1000')).toEqual({
      patterns: ['1799ZA', '8891..8899', '17*', '1000'],
      repeated: 1,
      unreadable: [],
    });
  });
  test('dashes between numbers are ranges, unless they are part of a postcode', () => {
    expect(readPastedPostcodes('1000-1999\n1000 - 1999\n20–30\n999-9999\nZZ1-1ZZ').patterns).toEqual([
      '1000..1999',
      '20..30',
      '9999999',
      'ZZ11ZZ',
    ]);
  });
  test('what cannot be read is named with its line', () => {
    expect(readPastedPostcodes('1000\n\n2000..1000\nÄÖ').unreadable).toEqual([
      { text: '2000..1000', line: 3, reason: 'the range ends before it begins' },
      { text: 'ÄÖ', line: 4, reason: 'must be a postcode, one with * or ?, or a range such as 1000..1999' },
    ]);
  });
  test('entries that others cover', () => {
    expect(coveredPatterns(['1000..1999', '1500', '1500..1600', '2000', '17*', '1799ZA', '1400..2100'])).toEqual([
      { pattern: '1500', by: '1500..1600' },
      { pattern: '1500..1600', by: '1400..2100' },
      { pattern: '2000', by: '1400..2100' },
      { pattern: '1799ZA', by: '1400..2100' },
    ]);
    expect(coveredPatterns(['1', '2'])).toEqual([]);
  });
  test('of ranges those are covered whose ends both lie in another, as by comparing each with each', () => {
    const range = fc
      .tuple(fc.integer({ min: 0, max: 20 }), fc.integer({ min: 0, max: 6 }))
      .map(([from, length]) => ({ from, to: from + length }));
    fc.assert(
      fc.property(fc.uniqueArray(range, { maxLength: 12, selector: ({ from, to }) => `${from}..${to}` }), (ranges) => {
        const covered = coveredPatterns(ranges.map(({ from, to }) => `${from}..${to}`)).map(({ pattern }) => pattern);
        const expected = ranges
          .filter((one) => ranges.some((other) => other !== one && other.from <= one.from && other.to >= one.to))
          .map(({ from, to }) => `${from}..${to}`);
        expect(covered.sort()).toEqual(expected.sort());
      }),
    );
  });
});
