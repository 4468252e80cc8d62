import type { ChargeInput, DecisionPath } from '../charges/charge-input.ts';
import { lineApplies, priceOfCharge, withHandling } from '../charges/charge.ts';
import { toCashIncrement } from '../money/rounding.ts';
import { isWithin } from '../time/schedule.ts';
import type { CompiledOption } from './compile-option.ts';

/** Why an option cannot be chosen. */
export type Unavailability = 'otherChannel' | 'notNow' | 'conditionNotMet' | 'noLineApplies' | 'carrierSilent';

/** The two parts of an option's price, before the cash increment: the charge, and own delivery prices of goods. Minor units. */
export interface PriceParts {
  base: number;
  own: number;
}

/** What the shopper pays for the parts: the cash increment is applied once, to both together, after everything else (2-domain §4). */
export function paidFor({ base, own }: PriceParts, cashIncrement: number | undefined): number {
  return toCashIncrement(base + own, cashIncrement);
}

/** Nothing but goods that ship free or have their own delivery price: a parcel's charge has nothing to look at. */
export function hasNothingToCharge({ kind }: CompiledOption, { facts }: ChargeInput): boolean {
  const { items, hasOrdinaryLine } = facts.cart.measures;
  return kind.chargesGoodsOnly && items > 0 && !hasOrdinaryLine;
}

/** Why an option is not offered to this shopper, whatever its charge; null when it is. */
export function unavailableBecause(
  { channels, span, when }: CompiledOption,
  { facts }: ChargeInput,
): Unavailability | null {
  if (channels !== null && !channels.has(facts.cart.channel)) return 'otherChannel';
  if (!isWithin(span, facts.instant)) return 'notNow';
  return when !== null && !when.holds(facts) ? 'conditionNotMet' : null;
}

/** The price before rewards and before the cash increment, or why there is none: charge with handling, and own prices. */
export function priceBefore(
  option: CompiledOption,
  input: ChargeInput,
  path: DecisionPath = null,
): PriceParts | Unavailability {
  const reason = unavailableBecause(option, input);
  if (reason !== null) return reason;
  const own = option.kind.paysOwnDelivery ? input.facts.cart.measures.ownDelivery : 0;
  if (hasNothingToCharge(option, input)) return { base: 0, own };
  const charge = priceOfCharge(option.charge, input, path);
  // Every line that applies has been asked for a price, so one that applies without a price waits for its carrier.
  if (charge === null)
    return option.charge.lines.some((line) => lineApplies(line, option.charge, input))
      ? 'carrierSilent'
      : 'noLineApplies';
  return { base: withHandling(option.charge, charge), own };
}
