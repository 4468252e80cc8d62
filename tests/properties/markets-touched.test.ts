import fc from 'fast-check';
import { expect, test } from 'vitest';
import { demoPolicy } from '../../demo/policy/demo-policy.ts';
import { demoProducts } from '../../demo/products.ts';
import { catalogueOf } from '../../src/core/catalogue/product.ts';
import { compilePolicy } from '../../src/core/evaluation/compile.ts';
import { evaluate } from '../../src/core/evaluation/evaluate.ts';
import { inputOfTestCart } from '../../src/core/evaluation/test-cart-input.ts';
import { marketsTouched, withinMarkets } from '../../src/core/policy/markets-touched.ts';
import type { Policy } from '../../src/core/policy/types.ts';
import { randomlyEdited } from '../support/random-edit.ts';

const catalogue = catalogueOf(demoProducts);
const instant = Date.parse('2026-11-28T19:30Z');
const inputs = Object.values(demoPolicy.testCarts).map((cart) => inputOfTestCart(cart, catalogue, instant).input);

/** In which market each cart is, and what is paid and promised there. */
const promises = (policy: Policy) => {
  const compiled = compilePolicy(policy);
  return inputs.map((input) => {
    const { marketId, options, totals } = evaluate(compiled, input);
    return {
      marketId,
      promised: JSON.stringify([options.map(({ optionId, before, after }) => [optionId, before, after]), totals]),
    };
  });
};
const beforehand = promises(demoPolicy);

test('after any edit of the demo nothing that is promised changes in a market that is not touched', () => {
  let [changes, narrow] = [0, 0];
  fc.assert(
    fc.property(fc.nat(), (seed) => {
      const next = randomlyEdited(demoPolicy, seed);
      if (next === demoPolicy) return;
      changes++;
      const touched = marketsTouched(demoPolicy, next);
      if (touched === 'all') return;
      narrow++;
      const now = promises(next);
      for (const [index, { marketId, promised }] of beforehand.entries()) {
        if (marketId === null || touched.has(marketId) || touched.has(now[index]!.marketId ?? '')) continue;
        expect(now[index]).toEqual({ marketId, promised });
        expect(withinMarkets(touched, new Set([marketId]))).toBe(touched.size === 0);
      }
    }),
    { numRuns: 400, endOnFailure: true },
  );
  expect(changes).toBeGreaterThan(80);
  expect(narrow).toBeGreaterThan(40);
}, 90_000);
