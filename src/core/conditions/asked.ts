import { deliveredMeasures } from '../cart/line-values.ts';
import type { ChargedMeasures, MeasuredCart } from '../cart/measures.ts';
import type { Destination, Shopper } from '../policy/types.ts';

/** Everything conditions can ask about, for one evaluation. */
export interface Facts {
  cart: MeasuredCart;
  /** what weighs and fills in all goods that need delivery; worked out when first asked for */
  delivered: ChargedMeasures | null;
  shopper: Shopper;
  destination: Destination;
  /** the destination's postcode as it is compared; empty when not known */
  postcode: string;
  zoneId: string;
  /** ms since 1970-01-01T00:00Z */
  instant: number;
}

export function deliveredOf(facts: Facts): ChargedMeasures {
  return (facts.delivered ??= deliveredMeasures(facts.cart));
}

/** Groups of a shopper: of someone signed in those given, which may be none; of a guest only what is handed in. */
export function wordsKnown(words: readonly string[] | undefined, { signedIn }: Shopper): readonly string[] | null {
  return words ?? (signedIn ? [] : null);
}
