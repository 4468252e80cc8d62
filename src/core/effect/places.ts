import { somewhereIn } from '../evaluation/somewhere-in.ts';
import { placesAsked } from '../conditions/places-asked.ts';
import type { CompiledPolicy, CompiledZone } from '../evaluation/compile.ts';
import { conditionsOf } from '../evaluation/shopper-classes.ts';
import { findZone } from '../evaluation/find-zone.ts';
import { placesNamed } from '../geography/places-named.ts';
import { normalPostcode } from '../geography/postcode.ts';
import type { AreaPart, Destination } from '../policy/types.ts';
import { unlikeBetween } from './unlike.ts';

/** Somewhere that is looked at: which zone of either policy delivers there. */
export interface PlaceLookedAt {
  destination: Destination;
  before: CompiledZone | null;
  after: CompiledZone | null;
}

/** Places between the same two zones: the first is like all that no condition names. */
export type PlacesAlike = [PlaceLookedAt, ...PlaceLookedAt[]];

/** Of the places that conditions name, so many at most are looked at in a zone. */
const mostNamed = 20;

/**
 * Places that stand for all others: one in each zone of either policy, one for each two zones between which something has moved,
 * and those that conditions name which one policy asks and the other does not.
 */
export function placesToLookAt(was: CompiledPolicy, is: CompiledPolicy): PlacesAlike[] {
  const found = new Map<string, PlacesAlike>();
  const add = (destination: Destination, named: boolean) => {
    const place = { destination, before: zoneAt(was, destination), after: zoneAt(is, destination) };
    if (!place.before && !place.after) return;
    const key = JSON.stringify([place.before?.id, place.after?.id]);
    const alike = found.get(key);
    if (!alike) found.set(key, [place]);
    else if (named && alike.length <= mostNamed) alike.push(place);
  };
  const both = [is, was];
  for (const policy of both) {
    for (const { zones } of policy.markets.values()) {
      for (const zone of zones) {
        const destination = somewhereIn(policy, zone);
        if (destination) add(destination, false);
      }
    }
  }
  for (const destination of movedBetween(was, is)) add(destination, false);
  for (const [key, [first]] of [...found]) {
    const named = new Map<string, Destination>();
    for (const parts of unlikeBetween(first.before, first.after)) {
      for (const destination of placesAsked(conditionsOf(parts), parts.policy.qualifiers, first.destination))
        named.set(JSON.stringify(destination), destination);
    }
    named.delete(JSON.stringify(first.destination));
    // Only those that the same zones deliver to: of others there is a place of their own.
    for (const destination of named.values()) {
      const ids = [was, is].map((policy) => zoneAt(policy, destination)?.id);
      if (JSON.stringify(ids) === key) add(destination, true);
    }
  }
  return [...found.values()];
}

function zoneAt(policy: CompiledPolicy, destination: Destination): CompiledZone | null {
  const found = findZone(policy, destination, normalPostcode(destination.postcode));
  return found.found ? found.zone : null;
}

/** Places that an area or a market names in one policy and not, or otherwise, in the other. */
function movedBetween(was: CompiledPolicy, is: CompiledPolicy): Destination[] {
  return [[was, is] as const, [is, was] as const].flatMap(([one, other]) =>
    [...one.markets.values()].flatMap(({ id, market, zones }) => {
      const countries = other.markets.get(id)?.market.countries ?? [];
      return [
        ...market.countries
          .filter((country) => !countries.includes(country))
          .map((country): Destination => ({ country, postcode: '' })),
        ...zones.flatMap(({ id: zoneId, zone: { area } }) => {
          const before = other.policy.zones[zoneId]?.area;
          if (before === area) return [];
          return (['include', 'exclude'] as const).flatMap((side) =>
            Object.entries(area[side] ?? {}).flatMap(([partId, part]) => {
              const unlike = partUnlike(part, before?.[side]?.[partId]);
              return unlike ? placesNamed(unlike, market.countries) : [];
            }),
          );
        }),
      ];
    }),
  );
}

/** What a part of an area names that another does not: of a list of postcodes the patterns; null: nothing. */
function partUnlike(part: AreaPart, other: AreaPart | undefined): AreaPart | null {
  if (part === other) return null;
  if (part.kind !== 'postcodes' || other?.kind !== 'postcodes' || part.country !== other.country) return part;
  const patterns = Object.entries(part.patterns).filter(([pattern]) => !Object.hasOwn(other.patterns, pattern));
  return { ...part, patterns: Object.fromEntries(patterns) };
}
