import type { Destination } from '../cart/cart.ts';
import type { CompiledMarket, CompiledPolicy, CompiledZone } from '../evaluation/compile.ts';
import { normalPostcode } from './postcode.ts';
import { bestMatch, compareSpecificity, type AreaPartKind, type Specificity } from './area.ts';

export type PlaceFound =
  | { found: true; market: CompiledMarket; zone: CompiledZone; by: AreaPartKind }
  | { found: false; market: CompiledMarket | null; reason: 'noMarket' | 'noZone' };

/** The market of the destination's country and the most specific zone in it; ties go to the listed order (2-domain §3). */
export function findPlace(compiled: CompiledPolicy, destination: Destination): PlaceFound {
  const market = compiled.marketOfCountry.get(destination.country);
  if (!market) return { found: false, market: null, reason: 'noMarket' };
  const normal = market.usesPostcodes ? normalPostcode(destination.postcode) : '';
  let best: { zone: CompiledZone; by: AreaPartKind; specificity: Specificity } | null = null;
  for (const zone of market.zones) {
    const match = bestMatch(zone.include, destination, normal);
    if (!match || (best && compareSpecificity(match.specificity, best.specificity) <= 0)) continue;
    if (zone.exclude.some((part) => part.covers(destination, normal))) continue;
    best = { zone, by: match.kind, specificity: match.specificity };
  }
  return best ? { found: true, market, zone: best.zone, by: best.by } : { found: false, market, reason: 'noZone' };
}
