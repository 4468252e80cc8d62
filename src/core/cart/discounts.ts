import type { CompiledSelection } from '../catalogue/goods-selection.ts';
import { allocate } from '../money/allocate.ts';
import { percentOf, type PercentFraction } from '../money/rounding.ts';

/** A discount on goods ready to be applied in a market. Amounts in minor units, as shown. */
export interface CompiledDiscount {
  /** share of the goods' value, or an amount off it */
  off: { percent: PercentFraction; decimal: string } | { amount: number };
  /** applies only once this code has been entered; null: needs none */
  code: string | null;
  /** null: all goods */
  goods: CompiledSelection | null;
  /** applies while the goods value before discounts is in [from, below) */
  from: number;
  below: number;
}

/** Whether a discount applies to a cart with this goods value before discounts. */
export function discountApplies(discount: CompiledDiscount, goodsBefore: number, codes: ReadonlySet<string>): boolean {
  return (
    (discount.code === null || codes.has(discount.code)) && goodsBefore >= discount.from && goodsBefore < discount.below
  );
}

/** What each discount takes off each line, and the lines' values after all of them. */
export interface DiscountedLines {
  /** values after discounts, as shown, by line */
  after: number[];
  /** for each discount, what it takes off in all; null where it does not apply */
  taken: (number | null)[];
}

/**
 * Spreads discounts over the lines they apply to by largest remainder, one after the other: each sees what the ones
 * before it left, and takes at most that. A percentage is rounded once, on the sum of its lines (2-domain §1, §2).
 *
 * @param values of the lines before discounts, as shown
 * @param isAmong whether a line is among the goods of a discount that names some
 */
export function applyDiscounts(
  discounts: readonly CompiledDiscount[],
  values: readonly number[],
  codes: ReadonlySet<string>,
  isAmong: (discount: CompiledDiscount, goods: CompiledSelection, line: number) => boolean,
): DiscountedLines {
  const before = values.reduce((sum, value) => sum + value, 0);
  const after = [...values];
  const taken = discounts.map((discount): number | null => {
    if (!discountApplies(discount, before, codes)) return null;
    const among = after.map((value, index) =>
      discount.goods === null || isAmong(discount, discount.goods, index) ? value : 0,
    );
    const value = among.reduce((sum, part) => sum + part, 0);
    const off =
      'amount' in discount.off ? Math.min(discount.off.amount, value) : percentOf(value, discount.off.percent);
    allocate(off, among).forEach((part, index) => (after[index] = after[index]! - part));
    return off;
  });
  return { after, taken };
}
