import fc from 'fast-check';
import { expect, test } from 'vitest';
import type { CartLine } from '../../src/core/cart/cart.ts';
import { compilePolicy } from '../../src/core/evaluation/compile.ts';
import { evaluate } from '../../src/core/evaluation/evaluate.ts';
import { ordinaryProduct, randomInput, randomPolicy } from '../support/random-policy.ts';

/** An article that a goal counts, whatever goods it names, in every category and with every tag. */
const article = (id: string, price: number) => ordinaryProduct(price, { id, categories: ['red', 'blue'], tags: ['red', 'blue', 'none'] });

test('adding one standard-taxed, counted article priced at the remainder reaches the goal; a cent less does not', () => {
  const seen = { promises: 0, silences: 0, discounted: 0 };
  fc.assert(
    fc.property(randomPolicy, randomInput, fc.integer({ min: 1, max: 5000 }), (policy, input, more) => {
      const compiled = compilePolicy(policy);
      const after = (lines: CartLine[], offer: string, goal: string) =>
        evaluate(compiled, { ...input, cart: { ...input.cart, lines: [...input.cart.lines, ...lines] } })
          .offers.find(({ offerId }) => offerId === offer)
          ?.goals.find(({ goalId }) => goalId === goal);
      for (const { offerId, status, goals } of evaluate(compiled, input).offers) {
        for (const { goalId, reached, remaining, percent, measure } of goals) {
          if (reached) expect({ remaining, percent }).toEqual({ remaining: 0, percent: 100 });
          else expect(percent).toBeLessThan(100);
          if (reached || remaining === null || measure !== 'value') {
            if (remaining === null) {
              seen.silences++;
              expect(status === 'inForce' || !reached).toBe(true);
            }
            continue;
          }
          const { goods } = policy.offers[offerId]!.goals[goalId]!;
          const discounts = input.cart.discounts ?? [];
          // Price bounds of a selection are the only thing that tells one article from another here.
          if (goods?.unitPriceBelow || discounts.some((discount) => discount.goods?.unitPriceBelow || discount.goods?.unitPriceFrom)) continue;
          seen.promises++;
          if (discounts.length > 0) seen.discounted++;
          const id = goods?.products?.[0] ?? 'p-1';
          const reachedAt = (price: number) => after([{ product: article(id, price), quantity: 1 }], offerId, goalId)!.reached;
          const isCut = discounts.every((discount) => !discount.goods || discount.goods.categories || discount.goods.tags || discount.goods.products?.includes(id));
          expect({ remaining, reached: reachedAt(remaining) }).toEqual({ remaining, reached: true });
          // It is promised as though every discount cut it, so that one which does not may do with less.
          if (isCut) expect({ remaining, less: reachedAt(remaining - 1) }).toEqual({ remaining, less: false });
          expect({ remaining, more, reached: reachedAt(remaining + more) }).toEqual({ remaining, more, reached: true });
        }
      }
    }),
    { numRuns: 3000 },
  );
  expect(seen.promises).toBeGreaterThan(150);
  expect(seen.discounted).toBeGreaterThan(20);
  expect(seen.silences).toBeGreaterThan(100);
}, 90_000);

test('a reward never raises a price, and what is unchanged names no offer', () => {
  fc.assert(
    fc.property(randomPolicy, randomInput, (policy, input) => {
      for (const option of evaluate(compilePolicy(policy), input).options) {
        expect(option.after).toBeLessThanOrEqual(option.before);
        expect(option.after).toBeGreaterThanOrEqual(0);
        expect(option.setBy.length === 0).toBe(option.after === option.before);
      }
    }),
    { numRuns: 1500 },
  );
});
