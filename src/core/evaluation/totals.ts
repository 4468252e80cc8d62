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
export function taxRateOfLine({ lines, taxRates }: MeasuredCart, index: number): PercentFraction {
  return taxRates.classes.get(lines[index]!.product.taxClass) ?? taxRates.standard;
}

/** What a line comes to after discounts and what offers take off it, as shown, and its tax. Minor units. */
export function lineAfterRewards(
  cart: MeasuredCart,
  rewarded: GoodsRewarded,
  index: number,
): { value: number; tax: number } {
  const value = lineValue(cart, index, shownBasis) - (rewarded.byLine?.[index] ?? 0);
  return { value, tax: taxOf(value, taxRateOfLine(cart, index), cart.terms.shownWithTax) };
}

/** Tax on the goods of an order, rounded per line, as the measures are. Minor units. */
export function goodsTaxOf(cart: MeasuredCart, rewarded: GoodsRewarded): number {
  let tax = 0;
  for (let index = 0; index < cart.lines.length; index++) tax += lineAfterRewards(cart, rewarded, index).tax;
  return tax;
}

/** What the order comes to with an option. @param goodsTax from `goodsTaxOf` */
export function totalsOf(
  { measures, terms }: MeasuredCart,
  rewarded: GoodsRewarded,
  goodsTax: number,
  chosen: Pick<OptionPrice, 'after' | 'tax'> | null,
): Totals {
  const tax = goodsTax + (chosen?.tax ?? 0);
  const goods = measures.goodsValue;
  const delivery = chosen?.after ?? 0;
  return {
    goods,
    goodsReward: rewarded.off,
    delivery,
    tax,
    toPay: goods - rewarded.off + delivery + (terms.shownWithTax ? 0 : tax),
  };
}

/** Tax by rate, a decimal percentage, in the order in which they first occur. */
type TaxByRate = readonly { rate: string; tax: number }[];

/** The tax on the goods by rate. They add up to `goodsTaxOf`. */
export function goodsTaxByRate(cart: MeasuredCart, rewarded: GoodsRewarded): TaxByRate {
  let taxes: TaxByRate = [];
  for (let index = 0; index < cart.lines.length; index++)
    taxes = withTax(taxes, taxRateOfLine(cart, index), lineAfterRewards(cart, rewarded, index).tax);
  return taxes;
}

/** The tax of an order with an option by rate. They add up to its tax. @param goods from `goodsTaxByRate` */
export function taxByRate(
  { taxRates }: MeasuredCart,
  goods: TaxByRate,
  chosen: Pick<OptionPrice, 'tax'> | null,
): TaxByRate {
  return chosen ? withTax(goods, taxRates.delivery, chosen.tax) : goods;
}

function withTax(taxes: TaxByRate, fraction: PercentFraction, tax: number): TaxByRate {
  const rate = taxRateInWords(fraction);
  return taxes.some((one) => one.rate === rate)
    ? taxes.map((one) => (one.rate === rate ? { rate, tax: one.tax + tax } : one))
    : [...taxes, { rate, tax }];
}

const ratesKnown = new WeakMap<PercentFraction, string>();

/** A rate as it is written, worked out once. */
export function taxRateInWords(rate: PercentFraction): string {
  let words = ratesKnown.get(rate);
  if (words === undefined) ratesKnown.set(rate, (words = percentInWords(rate)));
  return words;
}
