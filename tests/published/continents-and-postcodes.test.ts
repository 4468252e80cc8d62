// Sources: continents and currencies as the npm package `countries-list` carries them (GeoNames); postcode forms as the npm package
// `postcode-validator` does; the European Central Bank's description of its files of euro reference rates, from which the
// sample below was written by hand (value from memory: the layout, not the figures).
import { countries } from 'countries-list';
import { postcodeValidator } from 'postcode-validator';
import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { demoPolicy } from '../../demo/policy/demo-policy.ts';
import { testCarts } from '../../demo/policy/test-carts.ts';
import { readReferenceRates } from '../../src/core/imports/reference-rates.ts';
import { continents } from '../../src/core/geography/continent.ts';
import { currencyOfCountry } from '../../src/core/geography/country-currency.ts';
import { countryCodes } from '../../src/core/geography/country.ts';
import { canBePostcode, postcodeForms } from '../../src/core/geography/postcode-forms.ts';
import { readPastedPostcodes } from '../../src/core/geography/pasted-postcodes.ts';

describe('continents', () => {
  test('hold every country of ISO 3166-1 once', () =>
    expect(continents.flatMap(({ countries: codes }) => codes).sort()).toEqual([...countryCodes].sort()));
  test('are those of the data package', () => {
    for (const { id, countries: codes } of continents)
      for (const code of codes) expect([code, id]).toEqual([code, countries[code as keyof typeof countries].continent]);
  });
});

describe('currencies of countries', () => {
  test('are among those of the data package', () => {
    const others = countryCodes.flatMap((code) => {
      const known = countries[code as keyof typeof countries].currency as readonly string[];
      const ours = currencyOfCountry(code);
      if (ours === undefined) {
        if (known.length === 0) return [];
        return [[code, 'none', ...known]];
      }
      if (known.includes(ours)) return [];
      return [[code, ours, ...known]];
    });
    expect(others).toEqual([]);
  });
});

describe('postcodes', () => {
  /** An exact pattern with the space or hyphen that its country writes. */
  const written = (country: string, code: string): string => {
    if (country === 'NL') return code.replace(/^(\d{4})([A-Z]{2})$/, '$1 $2');
    if (country === 'GB') return code.replace(/(\d[A-Z]{2})$/, ' $1');
    if (country === 'CA') return code.replace(/^(.{3})/, '$1 ');
    if (country === 'CZ' || country === 'SE') return code.replace(/^(\d{3})(\d{2})$/, '$1 $2');
    if (country === 'PL') return code.replace(/^(\d{2})(\d{3})$/, '$1-$2');
    if (country === 'PT') return code.replace(/^(\d{4})(\d{3})$/, '$1-$2');
    if (country === 'US') return code.replace(/^(\d{5})(\d{4})$/, '$1-$2');
    return country === 'JP' ? code.replace(/^(\d{3})(\d{4})$/, '$1-$2') : code;
  };
  const marks = new Map([
    ['9', '0123456789'],
    ['A', 'ABCDEFGHIJKLMNOPRSTUVWXYZ'],
  ]);
  const mark = (of: string) => fc.constantFrom(...(marks.get(of) ?? 'ABCDEFGH0123456789'));
  const forms = Object.entries(postcodeForms).flatMap(([country, known]) =>
    known.map((form) => [country, form] as const),
  );
  test.each(forms)('%s: some of the form %s are postcodes by the package too', (country, form) => {
    const drawn = fc
      .sample(fc.tuple(...[...form].map(mark)), { numRuns: 500, seed: 13 })
      .map((marks) => marks.join(''));
    expect(drawn.every((code) => canBePostcode(country, code))).toBe(true);
    expect(drawn.filter((code) => postcodeValidator(written(country, code), country)).length).toBeGreaterThan(0);
  });
  test.each(forms)(
    '%s: what resembles the form %s and is a postcode by the package is never pointed out',
    (country, form) => {
      fc.assert(
        fc.property(
          fc.tuple(...[...form].map(mark)),
          fc.nat(form.length),
          fc.constantFrom('', '7', 'K', '42', 'Z9'),
          fc.nat(2),
          (marks, at, put, gone) => {
            const code = marks.slice(0, at).join('') + put + marks.slice(at + gone).join('');
            fc.pre(/^[A-Z0-9]{2,}$/.test(code) && postcodeValidator(written(country, code), country));
            expect([code, canBePostcode(country, code)]).toEqual([code, true]);
          },
        ),
        { numRuns: 200, seed: 13, maxSkipsPerRun: 100 },
      );
    },
  );
  const exact = Object.values(demoPolicy.zones)
    .flatMap(({ area }) => [...Object.values(area.include), ...Object.values(area.exclude ?? {})])
    .flatMap((part) =>
      part.kind === 'postcodes'
        ? Object.keys(part.patterns)
            .filter((pattern) => /^[A-Z0-9]+$/.test(pattern))
            .map((pattern) => [part.country, pattern] as const)
        : [],
    );
  test.each(exact)('%s %s of the demo store has its country’s form', (country, pattern) =>
    expect(postcodeValidator(written(country, pattern), country)).toBe(true),
  );
  test('those of the demo’s test carts do too, and are read as one postcode each', () => {
    const typed = Object.values(testCarts)
      .map(({ destination }) => destination)
      .filter(({ postcode }) => postcode !== '');
    expect(typed.length).toBeGreaterThan(10);
    const countriesSeen = new Set(typed.map(({ country }) => country));
    for (const country of ['NL', 'BE', 'DE', 'GB', 'DK', 'CH', 'US', 'JP'])
      expect([...countriesSeen]).toContain(country);
    for (const { country, postcode } of typed) {
      const [pattern, ...more] = readPastedPostcodes(postcode).patterns;
      expect([country, postcode, more.length, postcodeValidator(written(country, pattern!), country)]).toEqual([
        country,
        postcode,
        0,
        true,
      ]);
    }
  });
});

describe('euro reference rates', () => {
  const sample = [
    'Date,USD,JPY,BGN,CYP,DKK,GBP,ISK,',
    '2026-11-24,1.0702,157.91,1.9558,N/A,7.4581,0.87502,N/A,',
    '2026-11-23,1.0688,157.6,1.9558,N/A,7.4579,0.8749,144.9,',
    '1999-01-04,1.1789,133.73,N/A,0.58231,7.4501,0.7111,81.48,',
    '',
  ].join('\n');
  test('newest day first, N/A for none, a comma at the end of each line, currencies that are gone', () => {
    const { rates, rejected } = readReferenceRates(sample);
    expect(rejected).toEqual([]);
    expect(Object.keys(rates).sort()).toEqual(['BGN', 'DKK', 'GBP', 'ISK', 'JPY', 'USD']);
    expect(rates.USD!.map(({ day }) => day)).toEqual(['1999-01-04', '2026-11-23', '2026-11-24']);
    expect(rates.GBP!.at(-1)).toEqual({ day: '2026-11-24', rate: '0.87502' });
    expect(rates.BGN).toHaveLength(2);
  });
  test('with a byte order mark and CRLF', () =>
    expect(readReferenceRates(`\ufeff${sample.replaceAll('\n', '\r\n')}`)).toEqual(readReferenceRates(sample)));
});
