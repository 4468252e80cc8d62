import type { AreaPart, Destination } from '../policy/types.ts';
import { countryOfRegion } from './country.ts';
import { distanceKm, kmPerMile } from './distance.ts';
import { parsePostcodePattern, type PostcodePattern } from './postcode.ts';

export type AreaPartKind = AreaPart['kind'];

/**
 * How specific a match is, most significant first: place (postcode or radius over region over country over everything),
 * then the kind of postcode pattern (exact, range, glob, and a radius last), then how narrow it is.
 */
export interface Specificity {
  place: number;
  kind: number;
  narrowness: number;
}

/** A part of an area ready to be matched. */
export interface CompiledAreaPart {
  kind: AreaPartKind;
  /** the country it lies in, when it names one */
  country: string | null;
  specificity: Specificity;
  /** @param normal the destination's postcode as it is compared */
  covers: (destination: Destination, normal: string) => boolean;
}

const kindRank: Record<PostcodePattern['kind'], number> = { exact: 4, range: 3, glob: 2 };
const radiusRank = 1;

/**
 * @param sellsTo the countries of the market that the area lies in
 * @throws RangeError for a postcode pattern that `checkReferences` would have refused
 */
export function compileAreaPart(part: AreaPart, sellsTo: (country: string) => boolean): CompiledAreaPart {
  switch (part.kind) {
    case 'wholeMarket':
      return { kind: part.kind, country: null, specificity: { place: 1, kind: 0, narrowness: 0 }, covers: ({ country }) => sellsTo(country) };
    case 'country':
      return { kind: part.kind, country: part.country, specificity: { place: 2, kind: 0, narrowness: 0 }, covers: ({ country }) => country === part.country };
    case 'region':
      return { kind: part.kind, country: countryOfRegion(part.region), specificity: { place: 3, kind: 0, narrowness: 0 }, covers: ({ country, region }) => region === part.region && country === countryOfRegion(part.region) };
    case 'postcode': {
      const parsed = parsePostcodePattern(part.pattern);
      if (!parsed.ok) throw new RangeError(`postcode pattern "${part.pattern}": ${parsed.reason}`);
      const { kind, narrowness, matches } = parsed.pattern;
      return {
        kind: part.kind,
        country: part.country,
        specificity: { place: 4, kind: kindRank[kind], narrowness },
        covers: ({ country }, normal) => country === part.country && normal !== '' && matches(normal),
      };
    }
    case 'radius': {
      const km = part.unit === 'mi' ? part.distance * kmPerMile : part.distance;
      return {
        kind: part.kind,
        country: null,
        specificity: { place: 4, kind: radiusRank, narrowness: -km },
        covers: ({ country, coordinates }) => sellsTo(country) && coordinates !== undefined && distanceKm(part.center, coordinates) <= km,
      };
    }
  }
}

/** Negative when `a` is less specific than `b`; 0 leaves the decision to the listed order. */
export function compareSpecificity(a: Specificity, b: Specificity): number {
  return a.place - b.place || a.kind - b.kind || a.narrowness - b.narrowness;
}

/** The most specific of the parts that cover a destination, or null. */
export function bestMatch(parts: readonly CompiledAreaPart[], destination: Destination, normal: string): CompiledAreaPart | null {
  let best: CompiledAreaPart | null = null;
  for (const part of parts) {
    if (part.covers(destination, normal) && (!best || compareSpecificity(part.specificity, best.specificity) > 0)) best = part;
  }
  return best;
}
