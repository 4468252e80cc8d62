import type { MarketTerms } from '../markets/terms.ts';
import { resolveAmount } from '../money/local-amount.ts';
import type { Product, ProductAmount } from './product.ts';

/** Price of a piece in a market, minor units as shown there; undefined where the product has none. */
export function priceIn(product: Product, terms: MarketTerms): number | undefined {
  return minorOf(product.prices[terms.id], terms);
}

/** What a piece's own delivery costs in a market, minor units; undefined when it is charged in the ordinary way. */
export function ownDeliveryIn(product: Product, terms: MarketTerms): number | undefined {
  return product.ownDelivery === null ? undefined : minorOf(product.ownDelivery[terms.id], terms);
}

/** Whether the charges of a market look at a product. */
export const isCharged = (product: Product, terms: MarketTerms): boolean =>
  product.needsDelivery &&
  !product.shipsFree &&
  priceIn(product, terms) !== undefined &&
  ownDeliveryIn(product, terms) === undefined;

function minorOf(amount: ProductAmount | undefined, terms: MarketTerms): number | undefined {
  if (typeof amount !== 'object') return amount;
  let minor = terms.followed.get(amount);
  if (minor === undefined) {
    const resolved = resolveAmount(amount, terms.money);
    if (resolved === null) return undefined;
    minor = resolved;
    terms.followed.set(amount, minor);
  }
  return minor;
}
