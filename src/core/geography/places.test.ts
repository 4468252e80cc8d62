import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { smallStore } from '../../../tests/support/small-store.ts';
import { compilePolicy } from '../evaluation/compile.ts';
import type { AreaPart, Destination, Policy, Zone } from '../policy/types.ts';
import { checkPolicy } from '../checks/validate.ts';
import { findMarket, findZone, zonesThere } from '../evaluation/find-zone.ts';
import { matchesPattern, normalPostcode, parsePostcodePattern } from './postcode.ts';

const covers = (pattern: string, postcode: string): boolean => {
  const parsed = parsePostcodePattern(pattern);
  if (!parsed.ok) throw new Error(parsed.reason);
  return matchesPattern(parsed.pattern, normalPostcode(postcode));
};

describe('postcode patterns', () => {
  test('case, spaces and hyphens do not matter', () => {
    expect(covers('1799 za', '1799ZA')).toBe(true);
    expect(covers('999-9999', '9999999')).toBe(true);
    expect(covers('ZZ1*', 'zz1 1zz')).toBe(true);
  });
  test('both ends of a range are in', () => {
    for (const [postcode, inside] of [
      ['0999', false],
      ['1000', true],
      ['1500', true],
      ['1999', true],
      ['2000', false],
    ] as const)
      expect([postcode, covers('1000..1999', postcode)]).toEqual([postcode, inside]);
  });
  test('digits compare as numbers, with the digits a postcode begins with', () => {
    expect(covers('9..100', '50')).toBe(true);
    expect(covers('1000..1999', '1799 ZA')).toBe(true);
    expect(covers('1000..1999', 'ZZ1 1ZZ')).toBe(false);
  });
  test('letters compare character by character', () => {
    expect(covers('ZZ10..ZZ19', 'ZZ15')).toBe(true);
    expect(covers('ZZ10..ZZ19', 'ZY15')).toBe(false);
    expect(['ZZ1 2AB', 'ZZ9 1AA', 'ZZ9'].map((code) => covers('ZZ1..ZZ9', code))).toEqual([true, true, true]);
    expect(['ZZ0 9ZZ', 'ZY9 1AA', 'ZZA 1AA'].map((code) => covers('ZZ1..ZZ9', code))).toEqual([false, false, false]);
    expect(covers('ZZ10..ZZ1', 'ZZ15')).toBe(true);
  });
  test('? is one character, * any run', () => {
    expect(covers('17?9', '1779')).toBe(true);
    expect(covers('17?9', '179')).toBe(false);
    expect(covers('*9', '9')).toBe(true);
    expect(covers('1*9*', '1799ZA')).toBe(true);
  });
  test('what makes no sense is refused with what would', () => {
    for (const pattern of ['', '1999..1000', '1..2..3', '10*..19', 'ÄÖ', '(a+)+$'])
      expect(parsePostcodePattern(pattern).ok, pattern).toBe(false);
  });
  test('globs agree with a plain recursive definition', () => {
    const plain = (pattern: string, text: string): boolean => {
      if (pattern === '') return text === '';
      if (pattern[0] === '*') return plain(pattern.slice(1), text) || (text !== '' && plain(pattern, text.slice(1)));
      return text !== '' && (pattern[0] === '?' || pattern[0] === text[0]) && plain(pattern.slice(1), text.slice(1));
    };
    const few = (letters: string, maxLength: number) =>
      fc.array(fc.constantFrom(...letters), { minLength: 1, maxLength }).map((list) => list.join(''));
    fc.assert(
      fc.property(
        few('12*?', 7),
        few('12', 9),
        (pattern, text) => void expect(covers(`${pattern}*`, text)).toBe(plain(`${pattern}*`, text)),
      ),
      { numRuns: 2000 },
    );
  });
});

/** The small store with further zones in the market of the Netherlands and Belgium, in the given order. */
function withZones(zones: Record<string, { include: AreaPart; exclude?: AreaPart }>): Policy {
  const policy = structuredClone(smallStore);
  Object.entries(zones).forEach(([id, { include, exclude }], index) => {
    const zone: Zone = {
      order: 10 + index,
      market: 'nlbe',
      name: id,
      on: true,
      area: { include: { part: include }, ...(exclude ? { exclude: { part: exclude } } : {}) },
    };
    policy.zones[id] = zone;
  });
  const check = checkPolicy(policy);
  if (!check.ok) throw new Error(JSON.stringify(check.faults));
  return policy;
}

const zoneOf = (policy: Policy, asked: Partial<Destination>, chosen?: string): string => {
  const destination = { country: 'NL', postcode: '', ...asked };
  const found = findZone(compilePolicy(policy), destination, normalPostcode(destination.postcode), chosen);
  return found.found ? found.zone.id : found.reason;
};

describe('the most specific zone wins (common practice), whatever the listed order', () => {
  const postcode = (pattern: string): { include: AreaPart } => ({
    include: { kind: 'postcodes', country: 'NL', patterns: { [pattern]: true } },
  });
  const radius = (distance: number): { include: AreaPart } => ({
    include: { kind: 'radius', center: { latitude: 53, longitude: 5 }, distance, unit: 'km' },
  });
  const at = { postcode: '1799 ZA', region: 'NL-NH', coordinates: { latitude: 53.01, longitude: 5 } };
  /** from least to most specific */
  const ladder: [string, { include: AreaPart }][] = [
    ['country', { include: { kind: 'country', country: 'NL' } }],
    ['region', { include: { kind: 'region', region: 'NL-NH' } }],
    ['wide-radius', radius(50)],
    ['near-radius', radius(5)],
    ['short-glob', postcode('17*')],
    ['long-glob', postcode('179*')],
    ['wide-range', postcode('1000..1999')],
    ['narrow-range', postcode('1700..1799')],
    ['exact', postcode('1799ZA')],
  ];
  test.each(ladder.slice(1).map(([id], index) => [ladder[index]![0], id]))('%s gives way to %s', (lower, higher) => {
    const pair = (order: string[]) =>
      withZones(Object.fromEntries(order.map((id) => [id, ladder.find(([other]) => other === id)![1]])));
    expect(zoneOf(pair([lower, higher]), at)).toBe(higher);
    expect(zoneOf(pair([higher, lower]), at)).toBe(higher);
  });
  test('any order of all of them gives the most specific that covers the destination', () => {
    fc.assert(
      fc.property(fc.shuffledSubarray(ladder, { minLength: 1 }), (zones) => {
        const top = [...ladder].reverse().find(([id]) => zones.some(([other]) => other === id))![0];
        expect(zoneOf(withZones(Object.fromEntries(zones)), at)).toBe(top);
      }),
    );
  });
  test('equally specific: the listed order decides', () => {
    expect(zoneOf(withZones({ first: postcode('17*'), second: postcode('1*9') }), at)).toBe('first');
    expect(zoneOf(withZones({ second: postcode('1*9'), first: postcode('17*') }), at)).toBe('first');
  });
  test('what is not known is not matched: no postcode, region or coordinates', () => {
    expect(zoneOf(withZones(Object.fromEntries(ladder.slice(1))), {})).toBe('nlbe-all');
    expect(zoneOf(withZones({ any: postcode('*') }), {})).toBe('nlbe-all');
  });
  test('a postcode counts in its own country only', () =>
    expect(zoneOf(withZones({ exact: postcode('1799') }), { country: 'BE', postcode: '1799' })).toBe('nlbe-all'));
  test('what is excluded falls to the next best', () => {
    const policy = withZones({
      coast: {
        include: { kind: 'region', region: 'NL-NH' },
        exclude: { kind: 'postcodes', country: 'NL', patterns: { '1799*': true } },
      },
    });
    expect(zoneOf(policy, at)).toBe('nlbe-all');
    expect(zoneOf(policy, { ...at, postcode: '1798 ZA' })).toBe('coast');
  });
  test('a zone that is off is not matched', () => {
    const policy = withZones({ exact: postcode('1799ZA') });
    policy.zones.exact!.on = false;
    expect(zoneOf(policy, at)).toBe('nlbe-all');
  });
  test('miles are miles', () => {
    const policy = withZones({
      near: { include: { kind: 'radius', center: { latitude: 53, longitude: 5 }, distance: 1, unit: 'mi' } },
    });
    const north = (km: number) => ({
      coordinates: { latitude: 53 + (km / 6371.0088) * (180 / Math.PI), longitude: 5 },
    });
    expect(zoneOf(policy, north(1.609))).toBe('near');
    expect(zoneOf(policy, north(1.61))).toBe('nlbe-all');
  });
});

test('places that cannot be are refused by pointer', () => {
  const faults = (part: AreaPart) => {
    const policy = structuredClone(smallStore);
    policy.zones['nlbe-all']!.area.include = { part };
    const check = checkPolicy(policy);
    return check.ok ? [] : check.faults.map(({ pointer }) => pointer.replace('/zones/nlbe-all/area/include/part', ''));
  };
  expect(faults({ kind: 'region', region: 'DE-BY' })).toEqual(['/region']);
  expect(faults({ kind: 'postcodes', country: 'GB', patterns: { '1*': true } })).toEqual(['/country']);
  expect(faults({ kind: 'postcodes', country: 'NL', patterns: { '2..1': true } })).toEqual(['/patterns/2..1']);
  expect(
    faults({ kind: 'radius', center: { latitude: 91, longitude: 0 }, distance: 1, unit: 'km' }).length,
  ).toBeGreaterThan(0);
});

describe('markets', () => {
  test('a chosen market still delivers only to its own countries', () => {
    expect(zoneOf(smallStore, { country: 'NL' }, 'nlbe')).toBe('nlbe-all');
    expect(zoneOf(smallStore, { country: 'GB' }, 'nlbe')).toBe('noZone');
    expect(zoneOf(smallStore, { country: 'NL' }, 'moon')).toBe('noMarket');
  });
  test('one market may take every country that no other names', () => {
    const policy = structuredClone(smallStore);
    expect(zoneOf(structuredClone(policy), { country: 'CA' })).toBe('noMarket');
    policy.markets.uk!.elsewhere = true;
    expect(zoneOf(structuredClone(policy), { country: 'CA' })).toBe('uk-all');
    expect(zoneOf(structuredClone(policy), { country: 'NL' })).toBe('nlbe-all');
    policy.markets.nlbe!.elsewhere = true;
    const check = checkPolicy(policy);
    expect(check.ok ? [] : check.faults.map(({ pointer }) => pointer)).toEqual(['/markets/uk/elsewhere']);
  });
});

test('every zone that names a destination is told, with why it does not decide', () => {
  const policy = withZones({
    country: { include: { kind: 'country', country: 'NL' } },
    coast: { include: { kind: 'postcodes', country: 'NL', patterns: { '17*': true, '1799ZA': true } } },
    again: { include: { kind: 'postcodes', country: 'NL', patterns: { '1799ZA': true } } },
    without: {
      include: { kind: 'postcodes', country: 'NL', patterns: { '1799*': true } },
      exclude: { kind: 'postcodes', country: 'NL', patterns: { '1799ZA': true } },
    },
    south: { include: { kind: 'region', region: 'NL-LI' } },
  });
  const compiled = compilePolicy(policy);
  const destination = { country: 'NL', postcode: '1799 za' };
  const there = zonesThere(findMarket(compiled, destination)!, destination, normalPostcode(destination.postcode));
  expect(there.map(({ zone, match, outcome }) => [zone.id, match.pattern ?? match.kind, outcome])).toEqual([
    ['coast', '1799ZA', 'wins'],
    ['again', '1799ZA', 'later'],
    ['country', 'country', 'lessSpecific'],
    ['nlbe-all', 'wholeMarket', 'lessSpecific'],
    ['without', '1799*', 'excluded'],
  ]);
});
