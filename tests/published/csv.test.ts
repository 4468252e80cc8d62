// Sources: RFC 4180 (section 2, its rules and examples) and csv-parse, a reference library for reading CSV.
import { parse } from 'csv-parse/sync';
import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { CsvReader, type Delimiter } from '../../src/core/tabular/csv-reader.ts';
import { csvOf } from '../../src/core/tabular/write-csv.ts';

interface Reading {
  rows: string[][];
  lines: number[];
  faults: [string, number][];
}

/** Reads a text handed over in pieces. */
function read(pieces: readonly string[], delimiter: Delimiter = ','): Reading {
  const result: Reading = { rows: [], lines: [], faults: [] };
  const reader = new CsvReader(delimiter, {
    row: (fields, line) => {
      result.rows.push(fields);
      result.lines.push(line);
    },
    fault: (reason, line) => result.faults.push([reason, line]),
  });
  for (const piece of pieces) reader.push(piece);
  reader.end();
  return result;
}

describe('RFC 4180, section 2', () => {
  test.each([
    [
      '1: each record on its own line',
      'aaa,bbb,ccc\r\nzzz,yyy,xxx\r\n',
      [
        ['aaa', 'bbb', 'ccc'],
        ['zzz', 'yyy', 'xxx'],
      ],
    ],
    [
      '2: the last may have no line break',
      'aaa,bbb,ccc\r\nzzz,yyy,xxx',
      [
        ['aaa', 'bbb', 'ccc'],
        ['zzz', 'yyy', 'xxx'],
      ],
    ],
    ['4: spaces are part of a field', 'aaa, bbb ,ccc', [['aaa', ' bbb ', 'ccc']]],
    [
      '5: fields may be quoted',
      '"aaa","bbb","ccc"\r\nzzz,yyy,xxx',
      [
        ['aaa', 'bbb', 'ccc'],
        ['zzz', 'yyy', 'xxx'],
      ],
    ],
    [
      '6: line breaks and commas in quotes',
      '"aaa","b\r\nbb","c,cc"\r\nzzz,yyy,xxx',
      [
        ['aaa', 'b\r\nbb', 'c,cc'],
        ['zzz', 'yyy', 'xxx'],
      ],
    ],
    ['7: a doubled quote is one', '"aaa","b""bb","ccc"', [['aaa', 'b"bb', 'ccc']]],
  ])('rule %s', (_, text, rows) => expect(read([text])).toMatchObject({ rows, faults: [] }));
  test('5: a quote in an unquoted field is a fault of that row alone, named by its line', () => {
    expect(read(['a,b\r\nc"d,e\r\nf,g\r\n'])).toEqual({
      rows: [
        ['a', 'b'],
        ['f', 'g'],
      ],
      lines: [1, 3],
      faults: [['field 1 has a quote inside but is not quoted', 2]],
    });
    expect(read(['"a"b,c\nd,e'])).toMatchObject({
      rows: [['d', 'e']],
      faults: [['field 1 goes on after its closing quote', 1]],
    });
  });
  test('a quote that is never closed costs its own line, not the rest of the file', () => {
    expect(read(['a,b\n"c,d\ne,f\n'])).toEqual({
      rows: [
        ['a', 'b'],
        ['e', 'f'],
      ],
      lines: [1, 3],
      faults: [['a quote is opened here and never closed', 2]],
    });
  });
});

const field = fc.string({
  unit: fc.constantFrom('a', 'b', ' ', '"', ',', ';', '\t', '\n', '\r\n', 'é', '😀'),
  maxLength: 6,
});

describe('csv-parse reads the same', () => {
  const row = fc.array(field, { minLength: 2, maxLength: 5 });
  test('any rows, any delimiter and line end, cut into any pieces', () => {
    fc.assert(
      fc.property(
        fc.array(row, { minLength: 1, maxLength: 8 }),
        fc.constantFrom<Delimiter>(',', ';', '\t'),
        fc.constantFrom('\n', '\r\n'),
        fc.array(fc.nat(200), { maxLength: 6 }),
        fc.boolean(),
        (rows, delimiter, ending, cuts, closed) => {
          const quoted = (value: string) => (/["\r\n,;\t]/.test(value) ? `"${value.replaceAll('"', '""')}"` : value);
          const text = rows.map((cells) => cells.map(quoted).join(delimiter)).join(ending) + (closed ? ending : '');
          const marks = [0, ...cuts.map((cut) => Math.min(cut, text.length)).sort((a, b) => a - b), text.length];
          const pieces = marks.slice(1).map((mark, i) => text.slice(marks[i], mark));
          const reading = read(pieces, delimiter);
          expect(reading.rows).toEqual(
            parse(text, { delimiter, record_delimiter: ending, relax_column_count: true, skip_empty_lines: true }),
          );
          expect(reading.faults).toEqual([]);
        },
      ),
      { numRuns: 600 },
    );
  });
  test('what is written is read back', () => {
    fc.assert(
      fc.property(fc.array(fc.tuple(field, fc.integer()), { minLength: 1, maxLength: 6 }), (rows) => {
        const [, ...read] = parse(csvOf(['text', 'number'], rows), { record_delimiter: '\r\n' });
        expect(read).toEqual(
          rows.map(([text, number]) => [
            /^[\t\r=+@-]/.test(text) && !/^-?\d+$/.test(text) ? `'${text}` : text,
            String(number),
          ]),
        );
      }),
    );
  });
});

test('a line without end costs no more memory than a million characters and itself alone', () => {
  const pieces = ['a,b\n', ...Array.from({ length: 40 }, () => 'x'.repeat(100_000)), '\nc,d\n'];
  expect(read(pieces)).toEqual({
    rows: [
      ['a', 'b'],
      ['c', 'd'],
    ],
    lines: [1, 3],
    faults: [['is longer than a million characters', 2]],
  });
  expect(read(Array.from({ length: 30 }, () => 'x'.repeat(100_000)))).toMatchObject({
    rows: [],
    faults: [['is longer than a million characters', 1]],
  });
});

test('lines are counted over quoted line breaks and empty lines', () => {
  expect(read(['a,b\n"c\nd",e\n\nf,g\n']).lines).toEqual([1, 2, 5]);
  expect(read(['a,b\rc,d\r']).rows).toEqual([
    ['a', 'b'],
    ['c', 'd'],
  ]);
});
