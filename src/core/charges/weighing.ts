import { usualVolumeDivisor } from '../cart/charge-measure.ts';
import { compilePacking, type CompiledPacking, type PackingRules } from '../packing/rules.ts';
import type { Quotes } from '../policy/types.ts';

/** How a charge weighs a cart. */
export interface Weighing {
  /** cm³ that count as one kilogram */
  volumeDivisor: number;
  /** null: nothing is added, and everything is one parcel */
  packing: CompiledPacking | null;
  /** the option whose own packing it is, for whose parcels carriers are asked apart; null: the store's */
  ownOf: string | null;
}

/** Packing of an option itself, which stands in place of the store's. */
export interface OwnPacking {
  option: string;
  rules: PackingRules;
}

export function compileWeighing(
  volumeDivisor: number | undefined,
  own: OwnPacking | null,
  storePacking: CompiledPacking | null,
): Weighing {
  return {
    volumeDivisor: volumeDivisor ?? usualVolumeDivisor,
    packing: own ? compilePacking(own.rules) : storePacking,
    ownOf: own?.option ?? null,
  };
}

/** Under which a carrier's quote for the parcels of one option stands among quotes; ids have no such sign. */
export const quoteKey = (carrier: string, { ownOf }: Weighing): string =>
  ownOf === null ? carrier : `${carrier}/${ownOf}`;

/** What a carrier quotes, minor units: for the parcels as they are weighed here, else for the cart; null: it is silent. */
export function quotedBy(carrier: string, quotes: Quotes | undefined, weighing: Weighing): number | null {
  if (!quotes) return null;
  const key = quoteKey(carrier, weighing);
  return (Object.hasOwn(quotes, key) ? quotes[key] : quotes[carrier]) ?? null;
}
