import fc from 'fast-check';
import { expect, test } from 'vitest';
import type { CartLine } from '../../src/core/cart/cart.ts';
import { compilePolicy } from '../../src/core/evaluation/compile.ts';
import { evaluate } from '../../src/core/evaluation/evaluate.ts';
import { ordinaryProduct, randomInput, randomPolicy } from '../support/random-policy.ts';

/** An article that a goal counts, whatever goods it names, in every category and with every tag. */
const article = (id: string, price: number) =>
  ordinaryProduct(price, { id, categories: ['red', 'blue'], tags: ['red', 'blue', 'none'] });

/** Article of a goal that goods of a discount are told from by price alone, or that is in no discount on certain goods. */
const plainArticle = (id: string, price: number) => ordinaryProduct(price, { id, categories: [], tags: [] });

test('adding what is said to be missing reaches the goal, whichever of the discounts the goods are among; without discounts on certain goods a unit less does not', () => {
  const seen = { promises: 0, silences: 0, discounted: 0, named: 0, items: 0, weight: 0 };
  fc.assert(
    fc.property(randomPolicy, randomInput, fc.integer({ min: 1, max: 5000 }), (policy, input, more) => {
      const compiled = compilePolicy(policy);
      const after = (lines: CartLine[], offer: string, goal: string) => {
        const found = evaluate(compiled, {
          ...input,
          cart: { ...input.cart, lines: [...input.cart.lines, ...lines] },
        }).offers.find(({ offerId }) => offerId === offer);
        return { status: found?.status, reached: found?.goals.find(({ goalId }) => goalId === goal)?.reached };
      };
      for (const { offerId, status, goals } of evaluate(compiled, input).offers) {
        for (const { goalId, reached, remaining, percent, measure } of goals) {
          if (reached)
            expect({ remaining, percent, status }).toEqual({ remaining: 0, percent: 100, status: 'inForce' });
          else expect(percent).toBeLessThan(100);
          if (reached || remaining === null) {
            if (remaining === null) seen.silences++;
            continue;
          }
          expect(status).toBe('inForce');
          const { goods } = policy.offers[offerId]!.goals[goalId]!;
          const discounts = input.cart.discounts ?? [];
          const when = policy.offers[offerId]!.when;
          if (measure !== 'value') {
            // The condition may ask for what these goods are or cost: it is tried with goods of the cart, here with others.
            if (when || discounts.length > 0 || goods?.unitPriceBelow) continue;
            seen[measure]++;
            const price = goods?.unitPriceFrom ? 1_000_000 : 10;
            const added = {
              ...article(goods?.products?.[0] ?? 'p-1', price),
              weightGrams: measure === 'weight' ? remaining : 1,
            };
            expect(
              after([{ product: added, quantity: measure === 'items' ? remaining : 1 }], offerId, goalId),
            ).toMatchObject({ reached: true });
            if (measure === 'items' && remaining > 1)
              expect(after([{ product: added, quantity: remaining - 1 }], offerId, goalId)).toMatchObject({
                reached: false,
              });
            continue;
          }
          if (goods?.unitPriceBelow) continue;
          seen.promises++;
          if (discounts.length > 0) seen.discounted++;
          const named = discounts.some((discount) => discount.goods !== undefined);
          if (named) seen.named++;
          // In every discount on certain goods, and in none of them as far as the goal's own goods allow.
          const articles = [article(goods?.products?.[0] ?? 'p-1', 0), ...(goods ? [] : [plainArticle('p-9', 0)])];
          for (const one of articles) {
            const at = (price: number) =>
              after([{ product: { ...one, prices: { here: price } }, quantity: 1 }], offerId, goalId);
            // The condition is tried with goods like those of the cart; it may not hold for others.
            if (when && at(remaining).status === 'notForShopper') continue;
            expect({ remaining, ...at(remaining) }).toMatchObject({ remaining, reached: true });
            if (!named && remaining > 1)
              expect({ remaining, less: at(remaining - 1).reached }).toEqual({
                remaining,
                less: goods?.unitPriceFrom ? expect.anything() : false,
              });
            const dearer = at(remaining + more);
            // A dearer article may end the offer's own condition, which is then said.
            if (dearer.status === 'inForce')
              expect({ remaining, more, reached: dearer.reached }).toEqual({ remaining, more, reached: true });
          }
        }
      }
    }),
    { numRuns: 4000 },
  );
  expect(seen.promises).toBeGreaterThan(150);
  expect(seen.discounted).toBeGreaterThan(20);
  expect(seen.named).toBeGreaterThan(10);
  expect(seen.items).toBeGreaterThan(10);
  expect(seen.weight).toBeGreaterThan(10);
  expect(seen.silences).toBeGreaterThan(100);
}, 120_000);

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
