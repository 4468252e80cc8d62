import type { Operation } from 'rfc6902';

/**
 * The places that a patch changes, as JSON Pointers. An entry of a list counts as the list, since putting one in or taking one out
 * moves those behind it.
 */
export const placesOf = (patch: readonly Operation[]): string[] =>
  patch
    .flatMap((operation) => ('from' in operation ? [operation.from, operation.path] : [operation.path]))
    .map((pointer) => pointer.replace(/\/(\d+|-)(\/.*)?$/s, ''));

/** True when one place is the other or lies inside it. */
const overlap = (a: string, b: string): boolean => a === b || a.startsWith(`${b}/`) || b.startsWith(`${a}/`);

/** Whether two patches change the same place: then they cannot change places with one another. */
export const meet = (places: readonly string[], others: readonly string[]): boolean =>
  places.some((place) => others.some((other) => overlap(place, other)));
