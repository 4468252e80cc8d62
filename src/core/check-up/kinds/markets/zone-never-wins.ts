import { countryOfRegion } from '../../../geography/country.ts';
import type { CompiledMarket, CompiledZone } from '../../../evaluation/compile.ts';
import type { AreaPart } from '../../../policy/types.ts';
import type { FindingKind } from '../../kind.ts';
import { placeMemo } from '../../../evaluation/zone-memo.ts';
import { zonesOf } from '../../zones-of.ts';

/**
 * A zone that wins nowhere: each place in it is in a zone above it that is as specific there, is taken out by the zone itself,
 * or lies in a country that its market does not sell to.
 */
export const zoneNeverWins: FindingKind = {
  kind: 'zoneNeverWins',
  called: 'zones that never win',
  stop: 'markets',
  find: ({ compiled }) => zonesOf(compiled).flatMap((zone) => known(compiled, zone)),
};

const known = placeMemo((_, zone) => {
  const { market } = zone;
  const index = market.zones.findIndex(({ id }) => id === zone.id);
  const taken = Object.values(zone.zone.area.include).map((part) => takenBy(part, zone, index, market));
  if (taken.includes(null)) return [];
  const above = [...new Set(taken.flat() as string[])];
  const why = above.length > 0 ? `all of it is in ${above.join(' and ')} above it` : 'nothing is left of its area';
  return [
    {
      severity: 'risky' as const,
      at: `/zones/${zone.id}`,
      marketId: market.id,
      sentence: `“${zone.zone.name}” never decides what delivery costs: ${why}.`,
      example: null,
      remedy: null,
    },
  ];
});

/** The zones above that take a part of an area; none where nothing is left of it by itself; null where it may win. */
function takenBy(part: AreaPart, { zone }: CompiledZone, index: number, market: CompiledMarket): string[] | null {
  const { elsewhere, countries } = market.market;
  const country = countryOfPart(part);
  if (country !== null && !elsewhere && !countries.includes(country)) return [];
  if (Object.values(zone.area.exclude ?? {}).some((out) => holds(out, part))) return [];
  // What a zone above takes out of itself may be left for this one.
  const above = market.zones.slice(0, index).filter(({ exclude }) => exclude.length === 0);
  const alike = above.filter(({ zone: other }) => Object.values(other.area.include).some((one) => isSame(one, part)));
  if (alike.length > 0) return [`“${alike[0]!.zone.name}”`];
  if (part.kind === 'postcodes') return patternsTaken(part, above);
  if (part.kind === 'wholeMarket' && !elsewhere) return countriesTaken(market);
  return null;
}

const countryOfPart = (part: AreaPart): string | null => {
  if (part.kind === 'region') return countryOfRegion(part.region);
  return part.kind === 'country' || part.kind === 'postcodes' ? part.country : null;
};

/** Whether one part takes in every place of another. */
function holds(one: AreaPart, other: AreaPart): boolean {
  if (one.kind === 'wholeMarket') return true;
  if (one.kind === 'country') return countryOfPart(other) === one.country;
  return isSame(one, other);
}

function isSame(one: AreaPart, other: AreaPart): boolean {
  switch (one.kind) {
    case 'wholeMarket':
      return other.kind === 'wholeMarket';
    case 'country':
      return other.kind === 'country' && other.country === one.country;
    case 'region':
      return other.kind === 'region' && other.region === one.region;
    case 'postcodes':
      return (
        other.kind === 'postcodes' &&
        other.country === one.country &&
        Object.keys(other.patterns).every((pattern) => Object.hasOwn(one.patterns, pattern))
      );
    case 'radius':
      return (
        other.kind === 'radius' &&
        other.unit === one.unit &&
        other.distance === one.distance &&
        other.center.latitude === one.center.latitude &&
        other.center.longitude === one.center.longitude
      );
  }
}

/** Lists of postcodes that several zones above have between them, pattern by pattern. */
function patternsTaken(
  part: Extract<AreaPart, { kind: 'postcodes' }>,
  above: readonly CompiledZone[],
): string[] | null {
  const names = new Set<string>();
  for (const pattern of Object.keys(part.patterns)) {
    const single = { ...part, patterns: { [pattern]: true as const } };
    const taker = above.find(({ zone }) => Object.values(zone.area.include).some((one) => isSame(one, single)));
    if (!taker) return null;
    names.add(`“${taker.zone.name}”`);
  }
  return [...names];
}

/** Everywhere in a market is taken where zones name each of its countries, wherever they are listed: they are more specific. */
function countriesTaken({ market, zones }: CompiledMarket): string[] | null {
  const names = new Set<string>();
  for (const country of market.countries) {
    const taker = zones.find(
      ({ zone, exclude }) =>
        exclude.length === 0 &&
        Object.values(zone.area.include).some((one) => one.kind === 'country' && one.country === country),
    );
    if (!taker) return null;
    names.add(`“${taker.zone.name}”`);
  }
  return [...names];
}
