import type { AreaPart, Destination } from '../policy/types.ts';
import { countryOfRegion } from './country.ts';

const mostPatterns = 50;

/** Places that a part of an area names: of a list of postcodes the first `mostPatterns`. @param countries of the market it lies in */
export function placesNamed(part: AreaPart, countries: readonly string[]): Destination[] {
  switch (part.kind) {
    case 'wholeMarket':
      return countries.map((country) => ({ country, postcode: '' }));
    case 'country':
      return [{ country: part.country, postcode: '' }];
    case 'region':
      return [{ country: countryOfRegion(part.region), region: part.region, postcode: '' }];
    case 'radius':
      return countries.map((country) => ({ country, coordinates: part.center, postcode: '' }));
    case 'postcodes':
      return Object.keys(part.patterns)
        .slice(0, mostPatterns)
        .map((text) => ({ country: part.country, postcode: postcodeIn(text) }));
  }
}

/** A postcode that a pattern covers: the first of a range; of a glob, with a 1 for every sign that may be any. */
export const postcodeIn = (pattern: string): string =>
  pattern.split('..')[0]!.replaceAll('*', '').replaceAll('?', '1').trim();
