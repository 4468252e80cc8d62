import type { Product } from '../catalogue/product.ts';
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
  /** of the same lines, those that need delivery */
  charged: ChargedMeasures;
  /** at least one line needs delivery */
  needsDelivery: boolean;
  /** every line that needs delivery ships free */
  allShipsFree: boolean;
  /** some line that needs delivery is charged in the ordinary way */
  hasOrdinaryLine: boolean;
  /** sum of own delivery prices × quantity */
  ownDelivery: number;
  /** products without a price in this market; such a line counts as 0 and must be reported */
  unpriced: readonly string[];
}

/** What weighs and fills: pieces, lines, grams, cm³ (a started one counts whole), and the longest side in mm. */
export interface ChargedMeasures {
  items: number;
  lines: number;
  weight: number;
  volume: number;
  longestSide: number;
  /** products without a weight or a size, which count as 0 there and must be reported when a charge looks at them */
  withoutWeight: readonly string[];
  withoutSize: readonly string[];
}

/** Shared by all measures that have nothing to name, which are nearly all. */
const none: readonly string[] = [];

const nothingCharged = (): ChargedMeasures => ({ items: 0, lines: 0, weight: 0, volume: 0, longestSide: 0, withoutWeight: none, withoutSize: none });

/** Measures of a cart in a market. */
export function measureCart(cart: Cart, marketId: string): Measures {
  const measures: Measures = {
    goodsValue: 0,
    countedValue: 0,
    items: 0,
    chargeableValue: 0,
    charged: nothingCharged(),
    needsDelivery: false,
    allShipsFree: true,
    hasOrdinaryLine: false,
    ownDelivery: 0,
    unpriced: none,
  };
  let cubicMm = 0;
  for (const { product, quantity } of cart.lines) {
    const price = product.prices[marketId];
    if (price === undefined) measures.unpriced = [...measures.unpriced, product.id];
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
    addCharged(measures.charged, product, quantity);
    if (product.sizeMm) cubicMm += product.sizeMm[0] * product.sizeMm[1] * product.sizeMm[2] * quantity;
  }
  measures.charged.volume = Math.ceil(cubicMm / 1000);
  return measures;
}

function addCharged(charged: ChargedMeasures, product: Product, quantity: number): void {
  charged.items += quantity;
  charged.lines += 1;
  if (product.weightGrams === null) charged.withoutWeight = [...charged.withoutWeight, product.id];
  else charged.weight += product.weightGrams * quantity;
  if (product.sizeMm) charged.longestSide = Math.max(charged.longestSide, product.sizeMm[0], product.sizeMm[1], product.sizeMm[2]);
  else charged.withoutSize = [...charged.withoutSize, product.id];
}

/**
 * Measures of an imagined order of ordinary goods worth `value`, as the spend line walks along it.
 * @param charged what it weighs and fills; one piece without weight or size when not given
 */
export function measuresOfValue(value: number, charged?: ChargedMeasures): Measures {
  return {
    goodsValue: value,
    countedValue: value,
    items: charged?.items ?? (value > 0 ? 1 : 0),
    chargeableValue: value,
    charged: charged ?? { ...nothingCharged(), items: value > 0 ? 1 : 0, lines: value > 0 ? 1 : 0 },
    needsDelivery: true,
    allShipsFree: false,
    hasOrdinaryLine: true,
    ownDelivery: 0,
    unpriced: none,
  };
}
