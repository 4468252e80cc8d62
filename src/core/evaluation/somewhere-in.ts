import { placesNamed } from '../geography/places-named.ts';
import { normalPostcode } from '../geography/postcode.ts';
import type { Destination } from '../policy/types.ts';
import type { CompiledPolicy, CompiledZone } from './compile.ts';
import { findZone } from './find-zone.ts';

const known = new WeakMap<CompiledZone, Destination | null>();

/** Somewhere that a zone wins; null where none of the places that its area names is. @param compiled whose zone it is */
export function somewhereIn(compiled: CompiledPolicy, zone: CompiledZone): Destination | null {
  let place = known.get(zone);
  if (place === undefined) known.set(zone, (place = found(compiled, zone)));
  return place;
}

function found(compiled: CompiledPolicy, zone: CompiledZone): Destination | null {
  const { countries } = zone.market.market;
  for (const part of Object.values(zone.zone.area.include)) {
    for (const destination of placesNamed(part, countries)) {
      const there = findZone(compiled, destination, normalPostcode(destination.postcode));
      if (there.found && there.zone === zone) return destination;
    }
  }
  return null;
}
