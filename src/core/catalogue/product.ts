/** A product as the computation needs it. Prices are per market, in minor units of that market's currency. */
export interface Product {
  id: string;
  sku: string;
  name: string;
  /** market id → price per piece as shown to shoppers there, minor units */
  prices: Record<string, number>;
  weightGrams: number | null;
  /** length, width, height in mm */
  sizeMm: [number, number, number] | null;
  categories: string[];
  tags: string[];
  needsDelivery: boolean;
  countsTowardGoals: boolean;
  shipsFree: boolean;
  /** market id → delivery price per piece that replaces this product's part in the charge, minor units */
  ownDelivery: Record<string, number> | null;
}

export type Catalogue = ReadonlyMap<string, Product>;

export function catalogueOf(products: Iterable<Product>): Catalogue {
  const catalogue = new Map<string, Product>();
  for (const product of products) catalogue.set(product.id, product);
  return catalogue;
}
