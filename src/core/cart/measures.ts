import { compileSelection, selects } from '../catalogue/goods-selection.ts';
import { ownDeliveryIn, priceIn } from '../catalogue/product-amount.ts';
import type { Product } from '../catalogue/product.ts';
import type { MarketTerms, TaxRates } from '../markets/terms.ts';
import { atMostLargest, percentAsFraction } from '../money/rounding.ts';
import type { CartDiscount } from '../policy/types.ts';
import type { Cart, CartLine } from './cart.ts';
import type { HypotheticalOrder } from './hypothetical-order.ts';
import { applyDiscounts, type CompiledDiscount, type DiscountedLines } from './discounts.ts';
import type { PackedBy } from './packing/packed.ts';
import { mergeLines } from './merge-lines.ts';

/** What prices and goals look at (2-domain §2). Values in minor units of the market's currency, as shown, after discounts. */
export interface Measures {
  /** all lines */
  goodsValue: number;
  /** what discounts have taken off it */
  discount: number;
  /** lines that count toward goals */
  countedValue: number;
  /** pieces of all lines */
  items: number;
  lines: number;
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
  /** the longest that goods which need delivery take before they can leave, working days; and the first that takes as long */
  preparationDays: number;
  slowest: Product | null;
  /** products without a price in this market; such a line counts as 0 and must be reported */
  unpriced: readonly string[];
  /** products that may not go to the destination */
  barred: readonly string[];
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

/** A cart in a market with its measures, and what it takes to measure it in other ways. */
export interface MeasuredCart {
  measures: Measures;
  cart: Cart;
  /** those of one product as one */
  lines: readonly CartLine[];
  terms: MarketTerms;
  taxRates: TaxRates;
  codes: ReadonlySet<string>;
  channel: string;
  discounts: readonly CompiledDiscount[];
  /** null while nothing is discounted */
  discounted: DiscountedLines | null;
  /** the hypothetical order it stands for, whose product has no price; null for a real cart */
  hypothetical: HypotheticalOrder | null;
  /** as it is packed by some rules, each worked out when first asked for */
  packed: PackedBy[];
}

/** Shared by all measures that have nothing to name, which are nearly all. */
const none: readonly string[] = [];
const noCodes: ReadonlySet<string> = new Set();
const noDiscounts: readonly CompiledDiscount[] = [];

export const nothingCharged = (): ChargedMeasures => ({
  items: 0,
  lines: 0,
  weight: 0,
  volume: 0,
  longestSide: 0,
  withoutWeight: none,
  withoutSize: none,
});

export function noMeasures(): Measures {
  return {
    goodsValue: 0,
    discount: 0,
    countedValue: 0,
    items: 0,
    lines: 0,
    chargeableValue: 0,
    charged: nothingCharged(),
    needsDelivery: false,
    allShipsFree: true,
    hasOrdinaryLine: false,
    ownDelivery: 0,
    preparationDays: 0,
    slowest: null,
    unpriced: none,
    barred: none,
  };
}

/** Measures of a cart in a market. @param destination where its goods go, for what may not go there */
export function measureCart(
  cart: Cart,
  terms: MarketTerms,
  taxRates: TaxRates,
  destination: { country: string; region?: string },
): MeasuredCart {
  const measures = noMeasures();
  const lines = mergeLines(cart.lines);
  const measured: MeasuredCart = {
    measures,
    cart,
    lines,
    terms,
    taxRates,
    codes: cart.codes?.length ? new Set(cart.codes.map((code) => code.trim().toUpperCase())) : noCodes,
    channel: cart.channel ?? 'web',
    discounts: cart.discounts?.length
      ? cart.discounts.map((discount) => compileDiscount(discount, terms))
      : noDiscounts,
    discounted: null,
    hypothetical: null,
    packed: [],
  };
  if (measured.discounts.length > 0) {
    const unitPrices = lines.map(({ product }) => priceIn(product, terms) ?? 0);
    const values = lines.map(({ quantity }, index) => atMostLargest(unitPrices[index]! * quantity));
    measured.discounted = applyDiscounts(measured.discounts, values, measured.codes, (_, goods, line) =>
      selects(goods, lines[line]!.product, unitPrices[line]!),
    );
    for (const off of measured.discounted.taken) measures.discount += off ?? 0;
  }
  let cubicMm = 0;
  for (let index = 0; index < lines.length; index++) {
    const { product, quantity } = lines[index]!;
    const price = priceIn(product, terms);
    if (price === undefined) measures.unpriced = [...measures.unpriced, product.id];
    if (product.notTo.length > 0 && isBarred(product, destination)) measures.barred = [...measures.barred, product.id];
    const value = measured.discounted ? measured.discounted.after[index]! : atMostLargest((price ?? 0) * quantity);
    measures.goodsValue += value;
    measures.items += quantity;
    measures.lines += 1;
    if (product.countsTowardGoals) measures.countedValue += value;
    if (!product.needsDelivery) {
      measures.chargeableValue += value;
      continue;
    }
    measures.needsDelivery = true;
    if (product.preparationDays > measures.preparationDays) {
      measures.preparationDays = product.preparationDays;
      measures.slowest = product;
    }
    if (product.shipsFree) continue;
    measures.allShipsFree = false;
    const ownPrice = ownDeliveryIn(product, terms);
    if (ownPrice !== undefined) {
      measures.ownDelivery = atMostLargest(measures.ownDelivery + ownPrice * quantity);
      continue;
    }
    measures.hasOrdinaryLine = true;
    measures.chargeableValue += value;
    cubicMm += addCharged(measures.charged, product, quantity);
  }
  measures.charged.volume = atMostLargest(Math.ceil(cubicMm / 1000));
  return measured;
}

function isBarred({ notTo }: Product, { country, region }: { country: string; region?: string }): boolean {
  return notTo.includes(country) || (region !== undefined && notTo.includes(region));
}

/** Adds a line to what weighs and fills, but for the volume. @returns the line's volume in mm³ */
export function addCharged(charged: ChargedMeasures, { id, weightGrams, sizeMm }: Product, quantity: number): number {
  charged.items += quantity;
  charged.lines += 1;
  if (weightGrams === null) charged.withoutWeight = [...charged.withoutWeight, id];
  else charged.weight += weightGrams * quantity;
  if (!sizeMm) {
    charged.withoutSize = [...charged.withoutSize, id];
    return 0;
  }
  charged.longestSide = Math.max(charged.longestSide, sizeMm[0], sizeMm[1], sizeMm[2]);
  return sizeMm[0] * sizeMm[1] * sizeMm[2] * quantity;
}

function compileDiscount(discount: CartDiscount, terms: MarketTerms): CompiledDiscount {
  return {
    off:
      discount.kind === 'percent'
        ? { percent: percentAsFraction(discount.percent), decimal: discount.percent }
        : { amount: discount.amount },
    code: discount.code ?? null,
    goods: discount.goods ? compileSelection(discount.goods, terms) : null,
    from: discount.from ?? 0,
    below: discount.below ?? Infinity,
  };
}
