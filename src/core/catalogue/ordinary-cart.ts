import type { MarketTerms } from '../markets/terms.ts';
import { fillToAmount, type Priced } from './fill-to-amount.ts';
import { priceIn } from './product-amount.ts';
import type { Catalogue } from './product.ts';

/** Products that an ordinary cart is made of in a market: delivered at the usual price, counted, and going everywhere. */
function ordinaryGoods(catalogue: Catalogue, terms: MarketTerms): Priced[] {
  return [...catalogue.values()].flatMap((product): Priced[] => {
    const { needsDelivery, countsTowardGoals, shipsFree, ownDelivery, notTo } = product;
    const price =
      needsDelivery && countsTowardGoals && !shipsFree && !ownDelivery && notTo.length === 0
        ? priceIn(product, terms)
        : undefined;
    return price === undefined ? [] : [{ id: product.id, price }];
  });
}

/** Pieces of ordinary goods that come as near to an amount as any do. @param amount minor units */
export function ordinaryCart(catalogue: Catalogue, terms: MarketTerms, amount: number): Map<string, number> {
  return fillToAmount(ordinaryGoods(catalogue, terms), amount);
}
