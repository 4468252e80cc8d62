import type { AreaPart, Destination, Policy } from '../../../src/core/policy/types.ts';
import { postcodeSchemes } from '../../../src/core/geography/postcode-regions/region-of-postcode.ts';
import { sorted } from './basics.ts';

export function kilometres(
  a: { latitude: number; longitude: number },
  b: { latitude: number; longitude: number },
): number {
  const rad = (degrees: number) => (degrees * Math.PI) / 180;
  const h =
    Math.sin(rad(b.latitude - a.latitude) / 2) ** 2 +
    Math.cos(rad(a.latitude)) * Math.cos(rad(b.latitude)) * Math.sin(rad(b.longitude - a.longitude) / 2) ** 2;
  return 2 * 6371.0088 * Math.asin(Math.sqrt(h));
}

const normal = (postcode: string) => postcode.toUpperCase().replace(/[ -]/g, '');

/** Every way a pattern is read: exact, glob, range of numbers, range of letters. */
export function matchesPattern(pattern: string, postcode: string): boolean {
  const code = normal(postcode);
  const [from, to] = pattern.split('..').map(normal);
  if (to === undefined)
    return new RegExp(
      `^${[...from!]
        .map((char) => {
          if (char === '*') return '.*';
          if (char === '?') return '.';
          return char;
        })
        .join('')}$`,
    ).test(code);
  if (/^\d+$/.test(from!) && /^\d+$/.test(to)) {
    const digits = /^\d+/.exec(code)?.[0];
    return digits !== undefined && Number(digits) >= Number(from) && Number(digits) <= Number(to);
  }
  return code.slice(0, from!.length) >= from! && code.slice(0, to.length) <= to;
}

/** How specific a part is, to be compared position by position; null when it does not cover the destination. */
function specificity(part: AreaPart, destination: Destination): number[] | null {
  switch (part.kind) {
    case 'wholeMarket':
      return [0];
    case 'country':
      return part.country === destination.country ? [1] : null;
    case 'region':
      return part.region === destination.region && part.region.startsWith(destination.country) ? [2] : null;
    case 'radius': {
      const km = part.distance * (part.unit === 'mi' ? 1.609344 : 1);
      return destination.coordinates && kilometres(part.center, destination.coordinates) <= km ? [3, 0, -km] : null;
    }
    case 'postcodes': {
      if (part.country !== destination.country || normal(destination.postcode) === '') return null;
      const matching = Object.keys(part.patterns).filter((pattern) => matchesPattern(pattern, destination.postcode));
      return matching.map(specificityOfPattern).sort((a, b) => compare(b, a))[0] ?? null;
    }
  }
}

function specificityOfPattern(pattern: string): number[] {
  const [from, to] = pattern.split('..').map(normal);
  if (to !== undefined) return [3, 2, -(Number(to) - Number(from))];
  return /[*?]/.test(from!) ? [3, 1, from!.replace(/[*?]/g, '').length] : [3, 3, from!.length];
}

const compare = (a: number[], b: number[]): number => {
  for (let i = 0; i < Math.max(a.length, b.length); i++)
    if ((a[i] ?? 0) !== (b[i] ?? 0)) return (a[i] ?? 0) - (b[i] ?? 0);
  return 0;
};

/** With the region whose longest beginning a whole postcode has, looked up in the schemes as they are written. */
export function withToldRegion(destination: Destination): Destination {
  const scheme = postcodeSchemes.find(({ country }) => country === destination.country);
  const code = normal(destination.postcode);
  if (destination.region || !scheme || !scheme.whole.test(code)) return destination;
  const fitting = Object.entries(scheme.regions)
    .flatMap(([region, list]) => list.split(' ').map((stretch) => ({ region, ends: stretch.split('..') })))
    .filter(({ ends }) => {
      const [from, to = from] = ends as [string, string?];
      return code.slice(0, from.length) >= from && code.slice(0, from.length) <= to!;
    })
    .sort((a, b) => b.ends[0]!.length - a.ends[0]!.length || Number(a.ends.length) - Number(b.ends.length));
  const told = fitting[0]?.region ?? '?';
  return told === '?' ? destination : { ...destination, region: `${scheme.country}-${told}` };
}

/** Market by country, else the one that takes all others. */
export function marketOf(policy: Policy, { country }: Destination): string | null {
  const ids = Object.keys(policy.markets);
  return (
    ids.find((id) => policy.markets[id]!.countries.includes(country)) ??
    ids.find((id) => policy.markets[id]!.elsewhere) ??
    null
  );
}

/** The most specific zone of the market that covers the destination; the listed order decides among equals. */
export function zoneOf(policy: Policy, marketId: string, destination: Destination): string | null {
  if (marketOf(policy, destination) !== marketId) return null;
  const covering = sorted(policy.zones).flatMap(({ id, item }) => {
    if (!item.on || item.market !== marketId) return [];
    if (Object.values(item.area.exclude ?? {}).some((part) => specificity(part, destination))) return [];
    const matches = Object.values(item.area.include)
      .map((part) => specificity(part, destination))
      .filter((match) => match !== null);
    return matches.length > 0 ? [{ id, best: matches.sort((a, b) => compare(b, a))[0]! }] : [];
  });
  let best = covering[0];
  for (const candidate of covering) if (best && compare(candidate.best, best.best) > 0) best = candidate;
  return best?.id ?? null;
}
