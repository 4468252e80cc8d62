import type { CompiledMarket, CompiledPolicy, CompiledZone } from '../evaluation/compile.ts';
import type { Destination } from '../policy/types.ts';
import { bestMatch, compareSpecificity, type AreaPartKind, type Specificity } from './area.ts';

export type PlaceFound =
  | { found: true; market: CompiledMarket; zone: CompiledZone; by: AreaPartKind }
  | { found: false; market: CompiledMarket | null; reason: 'noMarket' | 'noZone' };

/**
 * The market of the destination's country, or a chosen one, and the most specific zone in it; ties go to the listed
 * order (2-domain §3).
 *
 * @param normal the destination's postcode as it is compared
 * @param chosen id of a market that was chosen instead of found; it still delivers only to its own countries
 */
export function findPlace(compiled: CompiledPolicy, destination: Destination, normal: string, chosen?: string): PlaceFound {
  const market = chosen === undefined ? (compiled.marketOfCountry.get(destination.country) ?? compiled.marketElsewhere) : (compiled.markets.get(chosen) ?? null);
  if (!market) return { found: false, market: null, reason: 'noMarket' };
  let best: { zone: CompiledZone; by: AreaPartKind; specificity: Specificity } | null = null;
  for (const zone of market.zones) {
    const match = bestMatch(zone.include, destination, normal);
    if (!match || (best && compareSpecificity(match.specificity, best.specificity) <= 0)) continue;
    if (zone.exclude.some((part) => part.covers(destination, normal))) continue;
    best = { zone, by: match.kind, specificity: match.specificity };
  }
  return best ? { found: true, market, zone: best.zone, by: best.by } : { found: false, market, reason: 'noZone' };
}
