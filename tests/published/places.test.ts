// Sources: ISO 3166-1 and 3166-2 as carried by the npm package `iso-3166`; great circles by the npm package `geodesy`
// (C. Veness, spherical model) and the geodesic results named below.
import fc from 'fast-check';
import LatLon from 'geodesy/latlon-spherical.js';
import { iso31661, iso31662 } from 'iso-3166';
import { describe, expect, test } from 'vitest';
import { demoPolicy } from '../../demo/policy/demo-policy.ts';
import policySchema from '../../src/core/schema/policy.schema.json' with { type: 'json' };
import { countryOfRegion, isCountry } from '../../src/core/geography/country.ts';
import { distanceKm, earthRadiusKm } from '../../src/core/geography/distance.ts';

describe('ISO 3166', () => {
  test('every assigned country and no other pair of letters', () => {
    const assigned = new Set(iso31661.filter(({ state }) => state === 'assigned').map(({ alpha2 }) => alpha2));
    expect(assigned.size).toBe(249);
    const letters = [...'ABCDEFGHIJKLMNOPQRSTUVWXYZ'];
    for (const code of letters.flatMap((a) => letters.map((b) => a + b)))
      expect([code, isCountry(code)]).toEqual([code, assigned.has(code)]);
  });
  test('every region code is accepted by the schema and belongs to its country', () => {
    const pattern = new RegExp(policySchema.$defs.region.pattern);
    expect(iso31662.length).toBeGreaterThan(4000);
    for (const { code } of iso31662) {
      expect(code).toMatch(pattern);
      expect(isCountry(countryOfRegion(code)), code).toBe(true);
    }
  });
  test('the demo store’s countries and regions are in it', () => {
    const regions = new Set(iso31662.map(({ code }) => code));
    const named = [...JSON.stringify(demoPolicy).matchAll(/"((?:NL|US|JP)-[A-Z0-9]{2})"/g)].map(([, code]) => code!);
    expect(new Set(named).size).toBeGreaterThan(4);
    expect(named.filter((code) => !regions.has(code))).toEqual([]);
    expect(
      Object.values(demoPolicy.markets)
        .flatMap(({ countries }) => countries)
        .filter((code) => !isCountry(code)),
    ).toEqual([]);
  });
});

describe('great-circle distance', () => {
  test('equals a geodesy package on a sphere of the same radius, anywhere', () => {
    const point = fc.record({
      latitude: fc.double({ min: -90, max: 90, noNaN: true }),
      longitude: fc.double({ min: -180, max: 180, noNaN: true }),
    });
    fc.assert(
      fc.property(point, point, (a, b) => {
        const reference = new LatLon(a.latitude, a.longitude).distanceTo(
          new LatLon(b.latitude, b.longitude),
          earthRadiusKm,
        );
        expect(Math.abs(distanceKm(a, b) - reference)).toBeLessThan(0.001);
      }),
      { numRuns: 1000 },
    );
  });
  // Sinnott's formula as worked in the geodesy package's documentation: Cambridge to Paris, 404.3 km on a sphere of 6371 km.
  test('Cambridge to Paris', () =>
    expect(distanceKm({ latitude: 52.205, longitude: 0.119 }, { latitude: 48.857, longitude: 2.351 })).toBeCloseTo(
      404.28,
      1,
    ));
  // Rosetta Code, “Haversine formula”: Nashville to Los Angeles airport, 2887.2599506 km on a sphere of 6372.8 km (value from memory).
  test('Nashville to Los Angeles', () => {
    expect(
      (distanceKm({ latitude: 36.12, longitude: -86.67 }, { latitude: 33.94, longitude: -118.4 }) * 6372.8) /
        earthRadiusKm,
    ).toBeCloseTo(2887.2599506, 4);
  });
  // Value from memory: one minute of arc is one nautical mile, 1.852 km on average (the former definition).
  test('a minute of latitude is about a nautical mile', () =>
    expect(
      Math.abs(distanceKm({ latitude: 45, longitude: 0 }, { latitude: 45 + 1 / 60, longitude: 0 }) - 1.852),
    ).toBeLessThan(0.002));
  test('a quarter of the globe and antipodes', () => {
    const quarter = (Math.PI / 2) * earthRadiusKm;
    expect(distanceKm({ latitude: 0, longitude: 0 }, { latitude: 90, longitude: 0 })).toBeCloseTo(quarter, 6);
    expect(distanceKm({ latitude: 0, longitude: 0 }, { latitude: 0, longitude: 180 })).toBeCloseTo(2 * quarter, 6);
  });
});
