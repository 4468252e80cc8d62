import { expect, test } from 'vitest';
import type { AreaPart } from '../policy/types.ts';
import { areaInWords } from './area-in-words.ts';

const names = {
  country: (code: string) => ({ NL: 'the Netherlands' })[code] ?? code,
  region: (code: string) => ({ 'NL-FR': 'Fryslân' })[code] ?? code,
};
const patterns = (...list: string[]): AreaPart => ({
  kind: 'postcodes',
  country: 'NL',
  patterns: Object.fromEntries(list.map((pattern) => [pattern, true as const])),
});

test('an area as a phrase', () => {
  const include = {
    a: { kind: 'country', country: 'NL' },
    b: { kind: 'region', region: 'NL-FR' },
    c: { kind: 'radius', center: { latitude: 53.1, longitude: -4.85 }, distance: 15, unit: 'km' },
  } as const;
  expect(areaInWords({ include }, names)).toBe('all of the Netherlands; Fryslân; 15 km around 53.1° N, 4.85° W');
  expect(areaInWords({ include: { a: { kind: 'wholeMarket' } }, exclude: { b: patterns('1', '2') } }, names)).toBe(
    'the whole market, without postcodes 1, 2 in the Netherlands',
  );
  expect(areaInWords({ include: { a: patterns('1', '2', '3', '4') }, exclude: {} }, names)).toBe(
    '4 postcodes in the Netherlands',
  );
});
