import type { Facts } from '../conditions/asked.ts';
import type { Redemptions } from '../policy/types.ts';
import type { CompiledOffer } from './compile-offer.ts';

/** Whether an offer holds for this shopper now, and if not, why. */
export type OfferStatus = 'inForce' | 'notYet' | 'over' | 'notForShopper' | 'usedUp' | 'needsCode';

/** @param redemptions how often the shop has recorded each offer as used; one it does not name has not been */
export function statusOf(
  { id, offer: { limits }, span, when, unlock, codes }: CompiledOffer,
  facts: Facts,
  redemptions: Redemptions | undefined,
): OfferStatus {
  if (facts.instant < span.from) return 'notYet';
  if (facts.instant >= span.until) return 'over';
  if (when !== null && !when.holds(facts)) return 'notForShopper';
  if (limits) {
    const used = redemptions?.[id];
    if ((used?.inAll ?? 0) >= (limits.inAll ?? Infinity) || (used?.byShopper ?? 0) >= (limits.perShopper ?? Infinity))
      return 'usedUp';
  }
  if ((unlock === 'code' || unlock === 'amountAndCode') && !hasCode(codes, facts)) return 'needsCode';
  return 'inForce';
}

/** Whether a code that the shopper has entered stands for the amount of every goal. */
export function codeStandsForAmount({ unlock, codes }: CompiledOffer, facts: Facts): boolean {
  return (unlock === 'code' || unlock === 'amountOrCode') && hasCode(codes, facts);
}

/** Whether the shopper has entered one of an offer's codes. */
function hasCode(codes: ReadonlySet<string>, { cart }: Facts): boolean {
  for (const code of cart.codes) if (codes.has(code)) return true;
  return false;
}
