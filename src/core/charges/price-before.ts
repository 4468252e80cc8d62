import type { Measures } from '../cart/measures.ts';
import type { OptionKind } from '../policy/types.ts';
import { toCashIncrement } from '../money/rounding.ts';
import { priceOfCharge, type CompiledCharge } from './charge.ts';

/** The two parts of an option's price before: the charge, and own delivery prices of goods. Null: not offered. */
export function partsOfPrice(option: { option: { kind: OptionKind }; charge: CompiledCharge; cashIncrement: number | undefined }, measures: Measures): { base: number; own: number } | null {
  const kind = option.option.kind;
  const base = kind === 'parcel' && measures.items > 0 && !measures.hasOrdinaryLine ? 0 : priceOfCharge(option.charge, measures);
  if (base === null) return null;
  return { base: toCashIncrement(base, option.cashIncrement), own: kind === 'pickUp' ? 0 : toCashIncrement(measures.ownDelivery, option.cashIncrement) };
}
