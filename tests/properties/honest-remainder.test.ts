import fc from 'fast-check';
import { expect, test } from 'vitest';
import { compilePolicy } from '../../src/core/evaluation/compile.ts';
import { evaluate } from '../../src/core/evaluation/evaluate.ts';
import { checkPolicy } from '../../src/core/policy/validate.ts';
import { here, ordinaryProduct, randomCart, randomPolicy } from '../support/random-policy.ts';

test('adding a counted item priced at the remainder reaches the goal, one minor unit less does not', () => {
  let promises = 0;
  fc.assert(
    fc.property(randomPolicy, randomCart, (policy, cart) => {
      const compiled = compilePolicy(policy);
      for (const offer of evaluate(compiled, { cart, destination: here }).offers) {
        for (const goal of offer.goals) {
          if (goal.reached) {
            expect(goal.remaining).toBe(0);
            expect(goal.percent).toBe(100);
            continue;
          }
          promises++;
          const after = (added: number) => {
            const evaluation = evaluate(compiled, { cart: { lines: [...cart.lines, { product: ordinaryProduct(added), quantity: 1 }] }, destination: here });
            return evaluation.offers.find(({ offerId }) => offerId === offer.offerId)!.goals.find(({ goalId }) => goalId === goal.goalId)!;
          };
          expect(goal.percent).toBeLessThan(100);
          expect(after(goal.remaining).reached).toBe(true);
          expect(after(goal.remaining - 1).reached).toBe(false);
        }
      }
    }),
    { numRuns: 2000 },
  );
  expect(promises).toBeGreaterThan(1000);
});

test('a reward never raises a price and free delivery is free', () => {
  fc.assert(
    fc.property(randomPolicy, randomCart, (policy, cart) => {
      const evaluation = evaluate(compilePolicy(policy), { cart, destination: here });
      for (const option of evaluation.options) {
        expect(option.after).toBeLessThanOrEqual(option.before);
        expect(option.after).toBeGreaterThanOrEqual(0);
        expect(option.tax).toBeLessThanOrEqual(option.after);
        expect(option.offerId === null).toBe(option.after === option.before);
      }
    }),
    { numRuns: 1000 },
  );
});

test('the random policies that all this is tested on are valid ones', () => {
  fc.assert(fc.property(randomPolicy, (policy) => void expect(checkPolicy(policy)).toEqual({ ok: true, policy })), { numRuns: 300 });
});
