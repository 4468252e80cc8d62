import type { Destination } from '../cart/cart.ts';
import type { CompiledMarket, CompiledPolicy, CompiledZone } from '../evaluation/compile.ts';

/** How a zone covers a destination, most specific last (2-domain §3). */
const specificity = { none: 0, everything: 1, country: 2 } as const;

export type PlaceFound =
  | { found: true; market: CompiledMarket; zone: CompiledZone; by: 'country' | 'everything' }
  | { found: false; market: CompiledMarket | null; reason: 'noMarket' | 'noZone' };

/** The market of the destination's country and the most specific zone in it; ties go to the listed order. */
export function findPlace(compiled: CompiledPolicy, destination: Destination): PlaceFound {
  const market = compiled.marketOfCountry.get(destination.country);
  if (!market) return { found: false, market: null, reason: 'noMarket' };
  let best: CompiledZone | null = null;
  let bestSpecificity: number = specificity.none;
  for (const zone of market.zones) {
    const reach = zone.countries.has(destination.country)
      ? specificity.country
      : zone.wholeMarket
        ? specificity.everything
        : specificity.none;
    if (reach > bestSpecificity) {
      best = zone;
      bestSpecificity = reach;
    }
  }
  if (!best) return { found: false, market, reason: 'noZone' };
  return { found: true, market, zone: best, by: bestSpecificity === specificity.country ? 'country' : 'everything' };
}
