import type { Catalogue, Product } from '../catalogue/product.ts';
import { priceIn } from '../catalogue/product-amount.ts';
import type { CompiledZone, CompiledPolicy } from '../evaluation/compile.ts';
import { evaluate } from '../evaluation/evaluate.ts';
import type { Evaluation } from '../evaluation/evaluation.ts';
import { inputOfTestCart } from '../evaluation/test-cart-input.ts';
import type { MarketTerms } from '../markets/terms.ts';
import type { TestCart } from '../policy/types.ts';
import { exampleCart } from './example-cart.ts';
import { somewhereIn } from '../evaluation/somewhere-in.ts';

/** So many products are tried beside those that stand out, each in so many quantities. */
const mostOthers = 8;
const quantities = [1, 2, 3, 5, 10, 20];

/** A cart that shows something, and what comes of it. */
export interface Shown {
  cart: TestCart;
  product: Product;
  quantity: number;
  evaluation: Evaluation;
}

/** Where carts are tried. */
export interface TriedIn {
  compiled: CompiledPolicy;
  catalogue: Catalogue;
  now: number;
}

/** The first cart of a guest in a zone, of one product, that shows something; null: none of those that were tried does. */
export function exampleThat(
  { compiled, catalogue, now }: TriedIn,
  zone: CompiledZone,
  name: string,
  shows: (evaluation: Evaluation) => boolean,
): Shown | null {
  const there = somewhereIn(compiled, zone);
  if (!there) return null;
  const sold = standingOut(catalogue, zone.market.terms);
  for (const quantity of quantities) {
    for (const product of sold) {
      const cart = exampleCart(zone.market, there, { name, lines: [{ product, quantity }] });
      const evaluation = evaluate(compiled, inputOfTestCart(cart, catalogue, now).input);
      if (shows(evaluation)) return { cart, product, quantity, evaluation };
    }
  }
  return null;
}

/** Of what is sold in a market the cheapest and the dearest, the lightest, the heaviest, the smallest, the largest, and some others. */
function standingOut(catalogue: Catalogue, terms: MarketTerms): Product[] {
  let known = standing.get(catalogue);
  if (!known) standing.set(catalogue, (known = new Map()));
  let found = known.get(terms.id);
  if (found?.terms !== terms) {
    const sold = [...catalogue.values()].filter(
      (product) => product.needsDelivery && priceIn(product, terms) !== undefined,
    );
    const measures: ((product: Product) => number)[] = [
      (product) => priceIn(product, terms)!,
      ({ weightGrams }) => weightGrams ?? 0,
      ({ sizeMm }) => Math.max(...(sizeMm ?? [0])),
      ({ sizeMm }) => (sizeMm ?? [0]).reduce((volume, side) => volume * side, 1),
    ];
    const ends = measures.flatMap((measure) => {
      const [first] = sold;
      if (!first) return [];
      const least = sold.reduce((best, one) => (measure(one) < measure(best) ? one : best), first);
      const most = sold.reduce((best, one) => (measure(one) > measure(best) ? one : best), first);
      return [least, most];
    });
    found = { terms, products: [...new Set([...ends, ...sold.slice(0, mostOthers)])] };
    known.set(terms.id, found);
  }
  return found.products;
}

const standing = new WeakMap<Catalogue, Map<string, { terms: MarketTerms; products: Product[] }>>();
