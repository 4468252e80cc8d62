import type { CartLine } from '../cart/cart.ts';
import type { Catalogue } from '../catalogue/product.ts';
import { inOrder } from '../ordered.ts';
import type { TestCart } from '../policy/types.ts';
import type { Situation } from './context.ts';
import type { EvaluationInput } from './evaluation.ts';

/**
 * A test cart as it is evaluated. Lines whose product is no longer in the catalogue are left out and named.
 *
 * @param now ms since 1970-01-01T00:00Z, for a cart without a moment of its own
 */
export function inputOfTestCart(
  cart: TestCart,
  catalogue: Catalogue,
  now: number,
): { input: EvaluationInput; gone: string[] } {
  const lines: CartLine[] = [];
  const gone: string[] = [];
  for (const [id, { quantity }] of inOrder(cart.lines)) {
    const product = catalogue.get(id);
    if (product) lines.push({ product, quantity });
    else gone.push(id);
  }
  const { codes, discounts, channel, shopper, destination, at, quotes, redemptions, earlier } = cart;
  const input: EvaluationInput = {
    cart: {
      lines,
      ...(codes ? { codes } : {}),
      ...(discounts ? { discounts: inOrder(discounts).map(([, { discount }]) => discount) } : {}),
      ...(channel === undefined ? {} : { channel }),
    },
    destination,
    instant: at === undefined ? now : Date.parse(at),
    ...(shopper ? { shopper } : {}),
    ...(quotes ? { quotes } : {}),
    ...(redemptions ? { redemptions } : {}),
    ...(earlier ? { earlier } : {}),
  };
  return { input, gone };
}

/** Whoever has a test cart, where it goes and when, with other goods in it. @param now as above */
export function situationOfTestCart(
  { codes, channel, shopper, destination, at, quotes, redemptions }: TestCart,
  now: number,
): Situation {
  return {
    destination,
    instant: at === undefined ? now : Date.parse(at),
    ...(codes ? { codes } : {}),
    ...(channel === undefined ? {} : { channel }),
    ...(shopper ? { shopper } : {}),
    ...(quotes ? { quotes } : {}),
    ...(redemptions ? { redemptions } : {}),
  };
}
