import type { FollowingAmount } from '../policy/types.ts';

/** An amount of a product in a market: minor units of its currency, or following the store's base currency. */
export type ProductAmount = number | FollowingAmount;

/** A product as the computation needs it. */
export interface Product {
  id: string;
  sku: string;
  name: string;
  /** market id → price per piece as shown to shoppers there, with or without tax as the market shows it */
  prices: Record<string, ProductAmount>;
  /** name of a tax class of the markets; one that a market does not know is taxed as standard there */
  taxClass: string;
  weightGrams: number | null;
  /** length, width, height in mm */
  sizeMm: [number, number, number] | null;
  categories: string[];
  tags: string[];
  needsDelivery: boolean;
  countsTowardGoals: boolean;
  shipsFree: boolean;
  /** market id → delivery price per piece that replaces this product's part in the charge */
  ownDelivery: Record<string, ProductAmount> | null;
  /** working days before it can leave, beside those that every order takes */
  preparationDays: number;
  /** countries (ISO 3166-1) and regions (ISO 3166-2) to which it may not go */
  notTo: string[];
}

/**
 * A change of what bears on a product's delivery. `was` tells what it was made on, so that nobody's change is lost under
 * another's; an amount that is null leaves the market without one.
 */
export type ProductDeliveryChange =
  | { field: 'shipsFree' | 'needsDelivery'; was: boolean; now: boolean }
  | { field: 'preparationDays'; was: number; now: number }
  | { field: 'ownDelivery'; market: string; was: ProductAmount | null; now: ProductAmount | null };

/** What a change looks at, as it stands. */
export function stateOf(product: Product, change: ProductDeliveryChange): boolean | number | ProductAmount | null {
  return change.field === 'ownDelivery' ? (product.ownDelivery?.[change.market] ?? null) : product[change.field];
}

/** The product after a change; a table of delivery prices without any is none. */
export function changedProduct(product: Product, change: ProductDeliveryChange): Product {
  if (change.field !== 'ownDelivery') return { ...product, [change.field]: change.now };
  const { [change.market]: _, ...others } = product.ownDelivery ?? {};
  const prices = change.now === null ? others : { ...others, [change.market]: change.now };
  return { ...product, ownDelivery: Object.keys(prices).length > 0 ? prices : null };
}

export type Catalogue = ReadonlyMap<string, Product>;

export function catalogueOf(products: Iterable<Product>): Catalogue {
  const catalogue = new Map<string, Product>();
  for (const product of products) catalogue.set(product.id, product);
  return catalogue;
}
