import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { encodings, guessEncoding, TextReader, type Encoding } from './encoding.ts';
import { guessDelimiter } from './guess-delimiter.ts';
import { formsThatFit, readDate } from './read-date.ts';
import { guessDecimalMark, readNumber } from './read-number.ts';

const minor = (text: string, mark: 'point' | 'comma', exponent = 2) => {
  const read = readNumber(text, mark, exponent);
  return read.ok ? read.minor : null;
};

describe('numbers', () => {
  test.each([
    ['12.50', 'point', 1250],
    ['12', 'point', 1200],
    ['1,234.5', 'point', 123450],
    ['1.234,50', 'comma', 123450],
    ['1 234,50', 'comma', 123450],
    ["1'234.50", 'point', 123450],
    ['€ 12,50', 'comma', 1250],
    ['12.50 EUR', 'point', 1250],
    ['$5.00', 'point', 500],
    ['-3.20', 'point', -320],
    ['−3,20', 'comma', -320],
    ['0', 'point', 0],
    ['.50', 'point', null],
    ['12,50', 'point', null],
    ['1.2.3', 'point', null],
    ['', 'point', null],
    ['abc', 'point', null],
    ['1,23,4', 'point', null],
    ['12.', 'point', null],
  ] as const)('%s with a decimal %s', (text, mark, expected) => expect(minor(text, mark)).toBe(expected));
  test('more decimals than the currency has are rounded half away from zero, and that is said', () => {
    expect(readNumber('49.5868', 'point', 2)).toEqual({ ok: true, minor: 4959, rounded: true });
    expect(readNumber('-0.005', 'point', 2)).toEqual({ ok: true, minor: -1, rounded: true });
    expect(readNumber('10.0000', 'point', 2)).toEqual({ ok: true, minor: 1000, rounded: false });
    expect(readNumber('1980', 'point', 0)).toEqual({ ok: true, minor: 1980, rounded: false });
  });
  test('every amount that is written is read back exactly, grouped or not', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: -99_999_999_999, max: 99_999_999_999 }),
        fc.constantFrom(0, 2, 3),
        fc.boolean(),
        fc.constantFrom('point' as const, 'comma' as const),
        (amount, exponent, grouped, mark) => {
          const text = new Intl.NumberFormat(mark === 'point' ? 'en-US' : 'de-DE', {
            minimumFractionDigits: exponent,
            maximumFractionDigits: exponent,
            useGrouping: grouped,
          }).format(amount / 10 ** exponent);
          expect(minor(text, mark, exponent)).toBe(amount === 0 ? 0 : amount);
        },
      ),
    );
  });
  test('the decimal mark is guessed from what can only be one', () => {
    expect(guessDecimalMark(['12,50', '7,00', '1.250'])).toBe('comma');
    expect(guessDecimalMark(['12.50', '1,250'])).toBe('point');
    expect(guessDecimalMark(['1.250,00'])).toBe('comma');
    expect(guessDecimalMark(['1250', ''])).toBe('point');
  });
});

describe('dates', () => {
  const iso = (text: string, form: Parameters<typeof readDate>[1], zone = 'Europe/Amsterdam') => {
    const at = readDate(text, form, zone);
    return at === null ? null : new Date(at).toISOString();
  };
  test.each([
    ['2025-03-14', 'ymd', '2025-03-14T11:00:00.000Z'],
    ['20250314', 'ymd', '2025-03-14T11:00:00.000Z'],
    ['2025-07-14 08:05:09', 'ymd', '2025-07-14T06:05:09.000Z'],
    ['2025-07-14T08:05:09Z', 'ymd', '2025-07-14T08:05:09.000Z'],
    ['2025-07-14T08:05:09.123+05:30', 'ymd', '2025-07-14T02:35:09.000Z'],
    ['2025-07-14 08:05:09 -0400', 'ymd', '2025-07-14T12:05:09.000Z'],
    ['14.03.2025 18:30', 'dmy', '2025-03-14T17:30:00.000Z'],
    ['14/3/25', 'dmy', '2025-03-14T11:00:00.000Z'],
    ['03/14/2025 6:30 PM', 'mdy', '2025-03-14T17:30:00.000Z'],
    ['03/14/2025 12:05 am', 'mdy', '2025-03-13T23:05:00.000Z'],
    ['1741969800', 'unix', '2025-03-14T16:30:00.000Z'],
    ['1741969800000', 'unix', '2025-03-14T16:30:00.000Z'],
    ['31.02.2025', 'dmy', null],
    ['2025-13-01', 'ymd', null],
    ['14/03/2025', 'mdy', null],
    ['2025-03-14 25:00', 'ymd', null],
    ['tomorrow', 'ymd', null],
    ['', 'dmy', null],
    ['2025-03-14 13:00 PM', 'ymd', null],
  ] as const)('%s as %s', (text, form, expected) => expect(iso(text, form)).toBe(expected));
  test('a time that clocks skip or show twice is a moment all the same', () => {
    expect(iso('2025-03-30 02:30', 'ymd')).toBe('2025-03-30T01:00:00.000Z');
    expect(iso('2025-10-26 02:30', 'ymd')).toBe('2025-10-26T00:30:00.000Z');
  });
  test('the form is that of most samples; what leaves day and month open is said', () => {
    expect(formsThatFit(['14.03.2025', '02.03.2025', '31.02.2025'])).toEqual(['dmy']);
    expect(formsThatFit(['01/02/2025', '03/04/2025'])).toEqual(['dmy', 'mdy']);
    expect(formsThatFit(['', 'soon'])).toEqual([]);
  });
});

describe('encodings', () => {
  const mark: Partial<Record<Encoding, number[]>> = {
    'utf-8': [0xef, 0xbb, 0xbf],
    'utf-16le': [0xff, 0xfe],
    'utf-16be': [0xfe, 0xff],
  };
  /** Characters of Windows-1252 beyond Latin-1, by the index of the WHATWG Encoding Standard. */
  const beyond: Record<string, number> = { '€': 0x80, '–': 0x96, '’': 0x92, Š: 0x8a };
  const encode = (text: string, encoding: Encoding): number[] => {
    if (encoding === 'utf-8') return [...new TextEncoder().encode(text)];
    if (encoding === 'windows-1252') return [...text].map((letter) => beyond[letter] ?? letter.charCodeAt(0));
    if (encoding === 'windows-1250' || encoding === 'shift_jis') return byPlatform(text, encoding);
    return Array.from({ length: text.length }, (_, i) => text.charCodeAt(i)).flatMap((unit) =>
      encoding === 'utf-16le' ? [unit & 255, unit >> 8] : [unit >> 8, unit & 255],
    );
  };
  /** The bytes that the platform's decoder reads as each letter, looked for among one and two. */
  const byPlatform = (text: string, encoding: Encoding): number[] => {
    const decoder = new TextDecoder(encoding);
    const known = new Map<string, number[]>();
    for (let lead = 0; lead < 256; lead++) {
      const one = decoder.decode(new Uint8Array([lead]));
      if (one.length === 1 && one !== '\ufffd') known.set(one, [lead]);
    }
    for (let lead = 0x81; encoding === 'shift_jis' && lead < 0xf0; lead++)
      for (let trail = 0x40; trail < 0xfd; trail++) {
        const two = decoder.decode(new Uint8Array([lead, trail]));
        if (two.length === 1 && two !== '\ufffd' && !known.has(two)) known.set(two, [lead, trail]);
      }
    return [...text].flatMap((letter) => known.get(letter)!);
  };
  const western = 'Bestelnummer;Datum;Plaats;Bedrag\r\n1;2025-03-14;Høje Gladsaxe – naïef;€ 12,50\r\n';
  const texts: Partial<Record<Encoding, string>> = {
    'windows-1250':
      'Zamówienie;Data;Miejscowość;Wartość zamówień\r\n1;2025-03-14;Łódź, przesyłka;50,00\r\n2;2025-03-15;Świętochłowice, paczka;75,00\r\n',
    shift_jis: '注文番号;日付;お届け先の国;金額\r\n1;2025-03-14;日本;5000\r\n2;2025-03-15;オランダ;7500\r\n',
  };
  test.each(
    encodings.flatMap(
      (encoding) =>
        (mark[encoding] === undefined
          ? [[encoding, false]]
          : [
              [encoding, false],
              [encoding, true],
            ]) as [Encoding, boolean][],
    ),
  )('%s, with a mark: %s, is recognised and read back', (encoding, marked) => {
    const text = texts[encoding] ?? western;
    const bytes = new Uint8Array([...(marked ? mark[encoding]! : []), ...encode(text, encoding)]);
    expect(guessEncoding(bytes)).toBe(encoding);
    const reader = new TextReader(encoding);
    const cut = bytes.length >> 1;
    expect(reader.read(bytes.subarray(0, cut), true) + reader.read(bytes.subarray(cut), false)).toBe(text);
  });
  test('a cut inside a character at the end of the sample does not make UTF-8 something else', () => {
    const bytes = new TextEncoder().encode('naïef €');
    expect(guessEncoding(bytes.subarray(0, bytes.length - 1))).toBe('utf-8');
    expect(guessEncoding(new Uint8Array())).toBe('utf-8');
  });
});

test('the delimiter is the one that parts all rows alike', () => {
  expect(guessDelimiter('a;b;c\n1,5;2,5;3\n')).toBe(';');
  expect(guessDelimiter('a,b\n"1;2;3",4\n')).toBe(',');
  expect(guessDelimiter('a\tb\n1,2\t3\n')).toBe('\t');
  expect(guessDelimiter('alone\n1\n')).toBe(',');
});
