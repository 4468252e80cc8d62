import type { CompiledMarket, CompiledPolicy, CompiledZone } from './compile.ts';
import type { Destination } from '../policy/types.ts';
import { bestMatch, type AreaMatch, type AreaPartKind } from '../geography/area.ts';
import { compareSpecificity } from '../geography/specificity.ts';

export type ZoneFound =
  | { found: true; market: CompiledMarket; zone: CompiledZone; by: AreaPartKind }
  | { found: false; market: CompiledMarket | null; reason: 'noMarket' | 'noZone' };

/** What becomes of one zone of a market at a destination. */
export interface ZoneStanding {
  zone: CompiledZone;
  /** its most specific part there */
  match: AreaMatch;
  /** wins; is less specific or later in the list than the one that wins; or takes the destination out by itself */
  outcome: 'wins' | 'lessSpecific' | 'later' | 'excluded';
}

/** The market that sells to a country, or a chosen one. */
export function findMarket(compiled: CompiledPolicy, { country }: Destination, chosen?: string): CompiledMarket | null {
  return chosen === undefined
    ? (compiled.marketOfCountry.get(country) ?? compiled.marketElsewhere)
    : (compiled.markets.get(chosen) ?? null);
}

/**
 * The market of the destination's country, or a chosen one, and the most specific zone in it; ties go to the listed
 * order (2-domain §3).
 *
 * @param normal the destination's postcode as it is compared
 * @param chosen id of a market that was chosen instead of found; it still delivers only to its own countries
 */
export function findZone(
  compiled: CompiledPolicy,
  destination: Destination,
  normal: string,
  chosen?: string,
): ZoneFound {
  const market = findMarket(compiled, destination, chosen);
  if (!market) return { found: false, market: null, reason: 'noMarket' };
  let best: { zone: CompiledZone; match: AreaMatch } | null = null;
  for (const zone of market.zones) {
    const match = bestMatch(zone.include, destination, normal);
    if (!match || (best && compareSpecificity(match.specificity, best.match.specificity) <= 0)) continue;
    if (bestMatch(zone.exclude, destination, normal)) continue;
    best = { zone, match };
  }
  return best
    ? { found: true, market, zone: best.zone, by: best.match.kind }
    : { found: false, market, reason: 'noZone' };
}

/** Every zone of a market that names a destination, the one that wins first, then by how specific each is there. */
export function zonesThere(market: CompiledMarket, destination: Destination, normal: string): ZoneStanding[] {
  const there = market.zones.flatMap((zone) => {
    const match = bestMatch(zone.include, destination, normal);
    return match ? [{ zone, match, excluded: bestMatch(zone.exclude, destination, normal) !== null }] : [];
  });
  // Sorting is stable: zones that are equally specific keep their listed order.
  there.sort(
    (a, b) => Number(a.excluded) - Number(b.excluded) || compareSpecificity(b.match.specificity, a.match.specificity),
  );
  const winner = there.find(({ excluded }) => !excluded);
  return there.map(({ zone, match, excluded }) => {
    if (excluded) return { zone, match, outcome: 'excluded' };
    if (zone === winner?.zone) return { zone, match, outcome: 'wins' };
    return {
      zone,
      match,
      outcome: compareSpecificity(match.specificity, winner!.match.specificity) < 0 ? 'lessSpecific' : 'later',
    };
  });
}
