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
  /** countries (ISO 3166-1) and regions (ISO 3166-2) to which it may not go */
  notTo: string[];
}

export type Catalogue = ReadonlyMap<string, Product>;

export function catalogueOf(products: Iterable<Product>): Catalogue {
  const catalogue = new Map<string, Product>();
  for (const product of products) catalogue.set(product.id, product);
  return catalogue;
}
