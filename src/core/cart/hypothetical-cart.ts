import type { MarketTerms, TaxRates } from '../markets/terms.ts';
import { noMeasures, type ChargedMeasures, type MeasuredCart } from './measures.ts';
import type { HypotheticalOrder } from './hypothetical-order.ts';
import { ordinaryArticle } from './ordinary-article.ts';

export function cartOfHypotheticalOrder(
  order: HypotheticalOrder,
  terms: MarketTerms,
  taxRates: TaxRates,
): MeasuredCart {
  const { value, items, weight, volume, longestSide, codes, channel } = order;
  const lines = [{ product: ordinaryArticle, quantity: items }];
  const charged: ChargedMeasures = { items, lines: 1, weight, volume, longestSide, withoutWeight: [], withoutSize: [] };
  return {
    measures: {
      ...noMeasures(),
      goodsValue: value,
      countedValue: value,
      items,
      lines: 1,
      chargeableValue: value,
      charged,
      needsDelivery: true,
      allShipsFree: false,
      hasOrdinaryLine: true,
    },
    cart: { lines },
    lines,
    terms,
    taxRates,
    codes: new Set(codes),
    channel: channel ?? 'web',
    discounts: [],
    discounted: null,
    hypothetical: order,
    packed: [],
  };
}
