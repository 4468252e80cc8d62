import { countryOfRegion } from '../geography/country.ts';
import { postcodeIn } from '../geography/places-named.ts';
import type { Condition, Destination } from '../policy/types.ts';
import { leaves, restingOn, type Qualifiers } from './leaves.ts';
import type { LeafNode } from './leaf.ts';

/** A place with each of what conditions ask for of a destination. @param place of which all else is taken */
export function placesAsked(
  conditions: readonly Condition[],
  qualifiers: Qualifiers,
  place: Destination,
): Destination[] {
  const named = Object.values(restingOn(conditions, qualifiers)).map(({ condition }) => condition);
  return [...conditions, ...named].flatMap((tree) =>
    leaves(tree).flatMap((leaf) => (leaf.kind === 'qualifier' || leaf.kind === 'group' ? [] : asked(leaf, place))),
  );
}

function asked(leaf: LeafNode, place: Destination): Destination[] {
  if (leaf.kind === 'postcode') return leaf.patterns.map((pattern) => ({ ...place, postcode: postcodeIn(pattern) }));
  if (leaf.kind === 'distance') return [{ ...place, coordinates: leaf.center }];
  if (leaf.kind === 'word' && leaf.fact === 'destination.country')
    return leaf.values.map((country) => ({ country, postcode: '' }));
  if (leaf.kind === 'word' && leaf.fact === 'destination.region')
    return leaf.values.map((region) => ({ country: countryOfRegion(region), region, postcode: '' }));
  if (leaf.kind === 'yesNo' && leaf.fact === 'destination.residential')
    return [true, false].map((residential) => ({ ...place, residential }));
  return [];
}
