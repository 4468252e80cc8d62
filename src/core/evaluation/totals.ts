import { shownBasis } from '../cart/basis.ts';
import { lineValue } from '../cart/line-values.ts';
import type { MeasuredCart } from '../cart/measures.ts';
import { includedTax, percentInWords, percentOf, type PercentFraction } from '../money/rounding.ts';
import type { GoodsRewarded } from '../offers/goods-rewards.ts';
import type { OptionPrice, Totals } from './evaluation.ts';

/** The tax of an amount: contained in it where prices are shown with tax, else what comes on top. Minor units. */
export function taxOf(amount: number, rate: PercentFraction, shownWithTax: boolean): number {
  if (amount === 0) return 0;
  return shownWithTax ? includedTax(amount, rate) : percentOf(amount, rate);
}

/** The tax rate of a line's product at the destination. */
export function rateOfLine({ lines, rates }: MeasuredCart, index: number): PercentFraction {
  return rates.classes.get(lines[index]!.product.taxClass) ?? rates.standard;
}

/** What a line comes to after discounts and what offers take off it, as shown, and its tax. Minor units. */
export function lineAfterRewards(
  cart: MeasuredCart,
  rewarded: GoodsRewarded,
  index: number,
): { value: number; tax: number } {
  const value = lineValue(cart, index, shownBasis) - (rewarded.byLine?.[index] ?? 0);
  return { value, tax: taxOf(value, rateOfLine(cart, index), cart.terms.shownWithTax) };
}

/** What the order comes to. Tax is rounded per line, as the measures are. */
export function totalsOf(
  cart: MeasuredCart,
  rewarded: GoodsRewarded,
  chosen: Pick<OptionPrice, 'after' | 'tax'> | null,
): Totals {
  let tax = chosen?.tax ?? 0;
  for (let index = 0; index < cart.lines.length; index++) tax += lineAfterRewards(cart, rewarded, index).tax;
  const goods = cart.measures.goodsValue;
  const delivery = chosen?.after ?? 0;
  return {
    goods,
    goodsReward: rewarded.off,
    delivery,
    tax,
    toPay: goods - rewarded.off + delivery + (cart.terms.shownWithTax ? 0 : tax),
  };
}

/** The tax of an order by rate, a decimal percentage, in the order in which the rates first occur. They add up to its tax. */
export function taxesByRate(
  cart: MeasuredCart,
  rewarded: GoodsRewarded,
  chosen: Pick<OptionPrice, 'tax'> | null,
): { rate: string; tax: number }[] {
  const taxes = new Map<string, number>();
  const add = (rate: PercentFraction, tax: number) =>
    taxes.set(percentInWords(rate), (taxes.get(percentInWords(rate)) ?? 0) + tax);
  for (let index = 0; index < cart.lines.length; index++)
    add(rateOfLine(cart, index), lineAfterRewards(cart, rewarded, index).tax);
  if (chosen) add(cart.rates.delivery, chosen.tax);
  return [...taxes].map(([rate, tax]) => ({ rate, tax }));
}
