import type { Cart } from './cart.ts';

/** What prices and goals look at (2-domain §2). Values in minor units of the market's currency, weight in grams. */
export interface Measures {
  /** all lines, as shown, after discounts */
  goodsValue: number;
  /** lines that count toward goals */
  countedValue: number;
  /** pieces of all lines */
  items: number;
  /** goods value of the lines an ordinary charge looks at: without those that ship free or have an own price */
  chargeableValue: number;
  /** at least one line needs delivery */
  needsDelivery: boolean;
  /** every line that needs delivery ships free */
  allShipsFree: boolean;
  /** some line that needs delivery is charged in the ordinary way */
  hasOrdinaryLine: boolean;
  /** sum of own delivery prices × quantity */
  ownDelivery: number;
  /** products without a price in this market; such a line counts as 0 and must be reported */
  unpriced: string[];
}

/** Measures of a cart in a market. */
export function measureCart(cart: Cart, marketId: string): Measures {
  const measures: Measures = {
    goodsValue: 0,
    countedValue: 0,
    items: 0,
    chargeableValue: 0,
    needsDelivery: false,
    allShipsFree: true,
    hasOrdinaryLine: false,
    ownDelivery: 0,
    unpriced: [],
  };
  for (const { product, quantity } of cart.lines) {
    const price = product.prices[marketId];
    if (price === undefined) measures.unpriced.push(product.id);
    const value = (price ?? 0) * quantity;
    const ownPrice = product.ownDelivery?.[marketId];
    measures.goodsValue += value;
    measures.items += quantity;
    if (product.countsTowardGoals) measures.countedValue += value;
    if (!product.needsDelivery) {
      measures.chargeableValue += value;
      continue;
    }
    measures.needsDelivery = true;
    if (product.shipsFree) continue;
    measures.allShipsFree = false;
    if (ownPrice !== undefined) {
      measures.ownDelivery += ownPrice * quantity;
      continue;
    }
    measures.hasOrdinaryLine = true;
    measures.chargeableValue += value;
  }
  return measures;
}

/** Measures of an imagined order of ordinary goods worth `value`, as the spend line walks along it. */
export function measuresOfValue(value: number): Measures {
  return {
    goodsValue: value,
    countedValue: value,
    items: value > 0 ? 1 : 0,
    chargeableValue: value,
    needsDelivery: true,
    allShipsFree: false,
    hasOrdinaryLine: true,
    ownDelivery: 0,
    unpriced: [],
  };
}
