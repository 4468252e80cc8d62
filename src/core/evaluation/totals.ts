import { shownBasis } from '../cart/basis.ts';
import { lineValue } from '../cart/line-values.ts';
import type { MeasuredCart } from '../cart/measures.ts';
import { includedTax, percentOf, type PercentFraction } from '../money/rounding.ts';
import type { GoodsRewarded } from '../offers/goods-rewards.ts';
import type { OptionPrice, Totals } from './evaluation.ts';

/** The tax of an amount: contained in it where prices are shown with tax, else what comes on top. Minor units. */
export function taxOf(amount: number, rate: PercentFraction, shownWithTax: boolean): number {
  if (amount === 0) return 0;
  return shownWithTax ? includedTax(amount, rate) : percentOf(amount, rate);
}

/** What the order comes to. Tax is rounded per line, as the measures are. */
export function totalsOf(cart: MeasuredCart, rewarded: GoodsRewarded, chosen: OptionPrice | null): Totals {
  const { shownWithTax } = cart.terms;
  let tax = chosen?.tax ?? 0;
  for (let index = 0; index < cart.lines.length; index++) {
    const rate = cart.rates.classes.get(cart.lines[index]!.product.taxClass) ?? cart.rates.standard;
    tax += taxOf(lineValue(cart, index, shownBasis) - (rewarded.byLine?.[index] ?? 0), rate, shownWithTax);
  }
  const goods = cart.measures.goodsValue;
  const delivery = chosen?.after ?? 0;
  return { goods, goodsReward: rewarded.off, delivery, tax, toPay: goods - rewarded.off + delivery + (shownWithTax ? 0 : tax) };
}
