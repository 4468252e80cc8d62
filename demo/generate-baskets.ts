import type { Product } from '../src/core/catalogue/product.ts';
import { weightedIndex } from '../src/core/statistics/random.ts';
import { demoProducts } from './products.ts';

/** What an order holds. Amounts in minor units. */
export interface Basket {
  lines: [sku: string, quantity: number][];
  items: number;
  grams: number;
  /** taken off the sum of its lines */
  discount: number;
}

interface Priced {
  product: Product;
  price: number;
}

/** How often a category is bought first; and next, once a kite is in the basket: it wants a line and a reel. */
const firstWeights: Record<string, number> = {
  kites: 10,
  lines: 3,
  reels: 2,
  windsocks: 4,
  spares: 3,
  anchors: 2,
  storage: 2,
  books: 1,
  plans: 0.5,
};
const withKite: Record<string, number> = {
  lines: 9,
  reels: 6,
  spares: 4,
  storage: 2,
  windsocks: 1.5,
  anchors: 1.5,
  books: 1,
  kites: 0.7,
  plans: 0.3,
};

const pricedIn = new Map<string, Priced[]>();

/** Products with a price of their own in a market, by price. */
function productsIn(market: string): Priced[] {
  let known = pricedIn.get(market);
  if (!known) {
    known = demoProducts.flatMap((product) => {
      const price = product.prices[market];
      return typeof price === 'number' && product.countsTowardGoals ? [{ product, price }] : [];
    });
    known.sort((a, b) => a.price - b.price);
    pricedIn.set(market, known);
  }
  return known;
}

/** A basket whose goods are worth exactly `value` after a small discount that makes up the difference. */
export function basketWorth(market: string, value: number, random: () => number): Basket {
  const products = productsIn(market);
  const lines = new Map<Product, number>();
  let sum = 0;
  let kite = false;
  while (sum < value) {
    const left = value - sum;
    const choice: Priced =
      (left < value * 0.2 ? last(products, left, value, random) : null) ?? next(products, left, kite, random);
    lines.set(choice.product, (lines.get(choice.product) ?? 0) + 1);
    sum += choice.price;
    kite ||= choice.product.categories[0] === 'kites';
  }
  let items = 0;
  let grams = 0;
  for (const [product, quantity] of lines) {
    items += quantity;
    grams += quantity * (product.weightGrams ?? 0);
  }
  return {
    lines: [...lines].map(([product, quantity]) => [product.sku, quantity]),
    items,
    grams,
    discount: sum - value,
  };
}

/** A product that takes the sum a little over the value; null when there is none. */
function last(products: readonly Priced[], left: number, value: number, random: () => number): Priced | null {
  const close = products.filter(({ price }) => price >= left && price <= left + value * 0.08);
  return close[Math.floor(random() * close.length)] ?? null;
}

/** One of those that still fit; when none does, the cheapest that ends the basket. */
function next(products: readonly Priced[], left: number, kite: boolean, random: () => number): Priced {
  const fitting = products.filter(({ price }) => price <= left);
  if (fitting.length === 0) return products.find(({ price }) => price >= left) ?? products.at(-1)!;
  return fitting[
    weightedIndex(
      random,
      fitting.map(({ product, price }) => weightOf(product, price, left, kite)),
    )
  ]!;
}

/** Larger parts of what is left are likelier, so that baskets stay short. */
function weightOf(product: Product, price: number, left: number, kite: boolean): number {
  const category = product.categories[0]!;
  return ((kite ? withKite : firstWeights)[category] ?? 0.2) * (0.05 + price / left) ** 2;
}
