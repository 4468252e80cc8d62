import { demoProducts } from '../../demo/products.ts';
import { catalogueOf } from '../../src/core/catalogue/product.ts';
import type { CartLine } from '../../src/core/cart/cart.ts';
import { compilePolicy } from '../../src/core/evaluation/compile.ts';
import { evaluate } from '../../src/core/evaluation/evaluate.ts';
import type { Evaluation, EvaluationInput } from '../../src/core/evaluation/evaluation.ts';
import type { Policy } from '../../src/core/policy/types.ts';

export const demoCatalogue = catalogueOf(demoProducts);

/** A Tuesday at noon in Amsterdam. */
export const tuesday = Date.parse('2026-11-24T11:00Z');

/** Lines of demo products. */
export const linesOf = (quantities: Record<string, number>): CartLine[] =>
  Object.entries(quantities).map(([id, quantity]) => ({ product: demoCatalogue.get(id)!, quantity }));

/** A policy changed in place on a copy. */
export const changed = (policy: Policy, change: (copy: Policy) => void): Policy => {
  const copy = structuredClone(policy);
  change(copy);
  return copy;
};

/** What demo products in a cart are offered; somewhere in the Netherlands, on a Tuesday, with a trace. */
export function evaluateLines(
  policy: Policy,
  quantities: Record<string, number>,
  input: Partial<Omit<EvaluationInput, 'cart'>> & { cart?: Partial<EvaluationInput['cart']> } = {},
): Evaluation {
  const { cart, ...situation } = input;
  return evaluate(
    compilePolicy(policy),
    {
      destination: { country: 'NL', postcode: '' },
      instant: tuesday,
      ...situation,
      cart: { lines: linesOf(quantities), ...cart },
    },
    { trace: true },
  );
}

export const pricesOf = ({ options }: Evaluation): number[][] => options.map(({ before, after }) => [before, after]);
