// Source: the npm package `zipcodes`, which carries the postal codes of the United States and Canada with their states and
// provinces (public data of the two countries' postal services, as its authors collected it).
import { describe, expect, test } from 'vitest';
import zipcodes from 'zipcodes';
import { regionOfPostcode } from '../../src/core/geography/postcode-regions/region-of-postcode.ts';

/** Military post, and states of their own: no region of the United States by ISO 3166-2. */
const noState = new Set(['AA', 'AE', 'AP', 'FM', 'MH', 'PW']);
/** Some places of the package name themselves where the province should stand: known ones only. */
const provinces = new Map([
  ['Alberta', 'AB'],
  ['British Columbia', 'BC'],
  ['Manitoba', 'MB'],
  ['New Brunswick', 'NB'],
  ['Newfoundland and Labrador', 'NL'],
  ['Nova Scotia', 'NS'],
  ['Northwest Territory', 'NT'],
  ['Nunavut Territory', 'NU'],
  ['Ontario', 'ON'],
  ['Prince Edward Island', 'PE'],
  ['Quebec', 'QC'],
  ['Saskatchewan', 'SK'],
  ['Yukon', 'YT'],
]);
const all = Object.values(zipcodes.codes);

describe('regions told by postcodes', () => {
  test('are the states of all ZIP codes', () => {
    const american = all.filter(({ country }) => country === 'US');
    expect(american.length).toBeGreaterThan(40_000);
    const others = american.filter(
      ({ zip, state }) => regionOfPostcode('US', zip) !== (noState.has(state) ? undefined : `US-${state}`),
    );
    expect(others).toEqual([]);
  });

  test('are the provinces of all Canadian areas', () => {
    const canadian = all.filter(({ country, state }) => country === 'Canada' && provinces.has(state));
    expect(canadian.length).toBeGreaterThan(1_600);
    const others = canadian.filter(({ zip, state }) => regionOfPostcode('CA', zip) !== `CA-${provinces.get(state)}`);
    expect(others).toEqual([]);
  });
});
