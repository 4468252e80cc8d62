import fc from 'fast-check';
import { iso31662 } from 'iso-3166';
import { describe, expect, test } from 'vitest';
import { demoPolicy } from '../../../../demo/policy/demo-policy.ts';
import { evaluate, evaluateHypothetical } from '../../evaluation/evaluate.ts';
import { orderOfValue } from '../../cart/hypothetical-order.ts';
import { sweepZone } from '../../sweep/sweep.ts';
import { compilePolicy } from '../../evaluation/compile.ts';
import { readScheme } from './scheme.ts';
import { locate, postcodeSchemes, regionOfPostcode } from './region-of-postcode.ts';

describe('the region that a postcode tells', () => {
  test.each([
    ['US', '99501', 'US-AK'],
    ['US', '995011234', 'US-AK'],
    ['US', '06001', 'US-CT'],
    ['US', '06390', 'US-NY'],
    ['CA', 'K1A0B1', 'CA-ON'],
    ['CA', 'X0A0H0', 'CA-NU'],
    ['AU', '2600', 'AU-ACT'],
    ['AU', '2619', 'AU-NSW'],
    ['BR', '01310100', 'BR-SP'],
    ['MX', '06000', 'MX-CMX'],
    ['TR', '34000', 'TR-34'],
  ])('%s %s: %s', (country, postcode, region) => expect(regionOfPostcode(country, postcode)).toBe(region));

  test.each([
    ['US', '00099', 'no state begins so'],
    ['US', '9950', 'not whole'],
    ['US', '99501X', 'not of that form'],
    ['AU', '0872', 'delivered in three states'],
    ['US', '96939', 'an associated state'],
    ['NL', '1000AA', 'a country without a scheme'],
    ['US', '', 'none'],
  ])('%s %s tells nothing: %s', (country, postcode) => expect(regionOfPostcode(country, postcode)).toBeUndefined());

  test('is one of ISO 3166-2 that lies in no other and has none within, in every scheme', () => {
    const known = new Map(iso31662.map(({ code, parent }) => [code, parent]));
    const parents = new Set(known.values());
    for (const { country, regions } of postcodeSchemes)
      for (const region of Object.keys(regions).filter((code) => code !== '?')) {
        const code = `${country}-${region}`;
        expect([code, known.get(code), parents.has(code)]).toEqual([code, country, false]);
      }
  });

  test('no beginning is given to two regions', () => {
    for (const { country, regions } of postcodeSchemes) {
      const seen = new Map<string, string>();
      for (const [region, list] of Object.entries(regions))
        for (const stretch of list.split(' ')) {
          const [from, to = from] = stretch.split('..') as [string, string?];
          expect(to.length).toBe(from.length);
          expect(to >= from).toBe(true);
          if (region === '?') continue;
          for (const [other, its] of seen) {
            const [low, high = low] = other.split('..') as [string, string?];
            const apart = low.length !== from.length || to < low || from > high;
            expect([country, stretch, other, its, apart]).toEqual([country, stretch, other, its, true]);
          }
          seen.set(stretch, region);
        }
    }
  });

  test('is that of the longest beginning', () => {
    const read = readScheme({
      country: 'US',
      whole: /^\d{5}$/,
      regions: { AL: '1..2', AK: '20..29', AZ: '211', '?': '2' },
    });
    expect(['10000', '20000', '21100', '30000'].map(read)).toEqual(['US-AL', 'US-AK', 'US-AZ', undefined]);
  });

  test('gives way to one that is stated', () => {
    expect(locate({ country: 'US', postcode: '99501', region: 'US-NY' }).destination.region).toBe('US-NY');
    fc.assert(
      fc.property(fc.constantFrom('US', 'NL', 'CA'), fc.string(), (country, postcode) => {
        const destination = { country, postcode, region: `${country}-NL` };
        expect(locate(destination).destination).toBe(destination);
      }),
    );
  });
});

describe('an evaluation', () => {
  const compiled = compilePolicy(demoPolicy);
  const to = (postcode: string) =>
    evaluate(
      compiled,
      {
        cart: { lines: [] },
        destination: { country: 'US', postcode },
        instant: Date.parse('2026-06-01T10:00:00Z'),
      },
      { trace: true },
    );

  test('finds the zone of a region by a postcode alone, and says so', () => {
    const alaska = to('99501');
    expect(alaska.zoneId).toBe('us-far');
    expect(to('10001').zoneId).toBe('us-all');
    const zone = alaska.trace!.children.find(({ decision }) => decision === 'zone')!;
    expect(zone.inputs['region']).toMatchObject({ text: 'US-AK, told by its postcode' });
  });

  test('a sweep and what is worked out along it hold by the same region', () => {
    const policy = structuredClone(demoPolicy);
    for (const option of Object.values(policy.options))
      if (option.zone === 'us-far')
        option.when = {
          of: 'all',
          conditions: {
            alaska: { order: 0, kind: 'word', fact: 'destination.region', operator: 'oneOf', values: ['US-AK'] },
          },
        };
    const zone = compilePolicy(policy)
      .markets.get('us')!
      .zones.find(({ id }) => id === 'us-far')!;
    const at = (postcode: string) => {
      const situation = { destination: { country: 'US', postcode }, instant: Date.parse('2026-06-01T10:00:00Z') };
      return {
        swept: sweepZone(zone, 'goodsValue', situation).segments[0]!.options.filter((price) => price !== null).length,
        evaluated: evaluateHypothetical(zone, orderOfValue(1), situation).options.length,
      };
    };
    const alaska = at('99501');
    expect(alaska.swept).toBeGreaterThan(0);
    expect(alaska.evaluated).toBe(alaska.swept);
    expect(at('96801')).toEqual({ swept: 0, evaluated: 0 });
  });
});
