import type { AreaPart, Destination } from '../policy/types.ts';
import { countryOfRegion } from './country.ts';
import { distanceKm, kmPerMile } from './distance.ts';
import { postcodeList, type PostcodeList } from './postcode-list.ts';
import { compareSpecificity, placeRanks, type Specificity } from './specificity.ts';

export type AreaPartKind = AreaPart['kind'];

/** A destination that a part covers. */
export interface AreaMatch {
  kind: AreaPartKind;
  specificity: Specificity;
  /** the pattern of a list of postcodes that covers it */
  pattern?: string;
}

/** A part of an area ready to be matched. */
export interface CompiledAreaPart {
  kind: AreaPartKind;
  /** the country it lies in, when it names one */
  country: string | null;
  /** @param normal the destination's postcode as it is compared */
  match: (destination: Destination, normal: string) => AreaMatch | null;
}

const radiusRank = 1;

/**
 * @param sellsTo the countries of the market that the area lies in
 * @throws RangeError for a postcode pattern that `checkPolicy` would have refused
 */
export function compileAreaPart(part: AreaPart, sellsTo: (country: string) => boolean): CompiledAreaPart {
  const { kind } = part;
  const whenever = (
    country: string | null,
    specificity: Specificity,
    covers: (destination: Destination) => boolean,
  ): CompiledAreaPart => {
    const match: AreaMatch = { kind, specificity };
    return { kind, country, match: (destination) => (covers(destination) ? match : null) };
  };
  switch (part.kind) {
    case 'wholeMarket':
      return whenever(null, { place: placeRanks.wholeMarket, kind: 0, narrowness: 0 }, ({ country }) =>
        sellsTo(country),
      );
    case 'country':
      return whenever(
        part.country,
        { place: placeRanks.country, kind: 0, narrowness: 0 },
        ({ country }) => country === part.country,
      );
    case 'region': {
      const home = countryOfRegion(part.region);
      return whenever(
        home,
        { place: placeRanks.region, kind: 0, narrowness: 0 },
        ({ country, region }) => region === part.region && country === home,
      );
    }
    case 'postcodes': {
      let list: PostcodeList | null = null;
      const match = ({ country }: Destination, normal: string): AreaMatch | null => {
        const found = country === part.country ? (list ??= postcodeList(part.patterns))(normal) : null;
        return found && { kind, specificity: found.specificity, pattern: found.pattern.text };
      };
      return { kind, country: part.country, match };
    }
    case 'radius': {
      const km = part.unit === 'mi' ? part.distance * kmPerMile : part.distance;
      return whenever(
        null,
        { place: placeRanks.radius, kind: radiusRank, narrowness: -km },
        ({ country, coordinates }) =>
          sellsTo(country) && coordinates !== undefined && distanceKm(part.center, coordinates) <= km,
      );
    }
  }
}

/** The most specific match among the parts of an area, or null. */
export function bestMatch(
  parts: readonly CompiledAreaPart[],
  destination: Destination,
  normal: string,
): AreaMatch | null {
  let best: AreaMatch | null = null;
  for (const part of parts) {
    const match = part.match(destination, normal);
    if (match && (!best || compareSpecificity(match.specificity, best.specificity) > 0)) best = match;
  }
  return best;
}
