import type { Catalogue, Product } from '../catalogue/product.ts';
import { priceIn } from '../catalogue/product-amount.ts';
import type { CompiledZone, CompiledPolicy } from '../evaluation/compile.ts';
import { evaluate } from '../evaluation/evaluate.ts';
import type { Evaluation } from '../evaluation/evaluation.ts';
import { inputOfTestCart } from '../evaluation/test-cart-input.ts';
import type { TestCart } from '../policy/types.ts';
import { exampleCart, somewhereIn } from './example-cart.ts';

/** So many products at most are tried, in so many quantities. */
const mostProducts = 80;
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
  const sold = [...catalogue.values()]
    .filter((product) => product.needsDelivery && priceIn(product, zone.market.terms) !== undefined)
    .slice(0, mostProducts);
  for (const quantity of quantities) {
    for (const product of sold) {
      const cart = exampleCart(zone.market, there, { name, lines: [{ product, quantity }] });
      const evaluation = evaluate(compiled, inputOfTestCart(cart, catalogue, now).input);
      if (shows(evaluation)) return { cart, product, quantity, evaluation };
    }
  }
  return null;
}
