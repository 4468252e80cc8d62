/**
 * How specific a match is, most significant first: place (postcode or radius over region over country over everything),
 * then the kind of postcode pattern (exact, range, glob, and a radius last), then how narrow it is (2-domain §3).
 */
export interface Specificity {
  place: number;
  kind: number;
  narrowness: number;
}

/** Postcode and distance over region over country over everything: the first thing that two matches are compared by. */
export const placeRanks = { wholeMarket: 1, country: 2, region: 3, postcodes: 4, radius: 4 } as const;

/** Negative when `a` is less specific than `b`; 0 leaves the decision to the listed order. */
export function compareSpecificity(a: Specificity, b: Specificity): number {
  return a.place - b.place || a.kind - b.kind || a.narrowness - b.narrowness;
}
