import { isDeepStrictEqual } from 'node:util';
import fc from 'fast-check';
import { expect, test } from 'vitest';
import { demoPolicy } from '../../demo/policy/demo-policy.ts';
import { demoProducts } from '../../demo/products.ts';
import { catalogueOf } from '../../src/core/catalogue/product.ts';
import { compilePolicy } from '../../src/core/evaluation/compile.ts';
import { evaluate } from '../../src/core/evaluation/evaluate.ts';
import type { EvaluationInput } from '../../src/core/evaluation/evaluation.ts';
import { inputOfTestCart } from '../../src/core/evaluation/test-cart-input.ts';
import type { Policy } from '../../src/core/policy/types.ts';
import { randomlyEdited } from '../support/random-edit.ts';
import { randomInput, randomPolicyWithZones } from '../support/random-policy.ts';

const catalogue = catalogueOf(demoProducts);
const instants = ['2026-11-24T11:00Z', '2026-11-28T19:30Z', '2026-12-26T02:00Z'].map((text) => Date.parse(text));
const inputsOfDemo = Object.values(demoPolicy.testCarts).map(
  (cart, index) => inputOfTestCart(cart, catalogue, instants[index % instants.length]!).input,
);

/** All that shoppers would be offered and told. */
const answers = (policy: Policy, inputs: readonly EvaluationInput[]) => {
  const compiled = compilePolicy(policy);
  return inputs.map((input) => evaluate(compiled, input));
};
const seeds = (count: number) => fc.array(fc.nat(), { minLength: count, maxLength: count });

/** The policy after each edit, where what is known of the one before is taken over, against the same made from nothing. */
function editAndCompare(start: Policy, edits: readonly number[], inputs: readonly EvaluationInput[]) {
  answers(start, inputs);
  let policy = start;
  let changes = 0;
  for (const edit of edits) {
    const next = randomlyEdited(policy, edit);
    if (next === policy) continue;
    changes += 1;
    policy = next;
    const [taken, anew] = [answers(policy, inputs), answers(structuredClone(policy), inputs)];
    // The slower comparison, which says where they differ, only where they do.
    if (!isDeepStrictEqual(taken, anew)) expect(taken).toEqual(anew);
  }
  return changes;
}

test('the demo’s carts are answered after any edit as by a policy compiled from nothing', () => {
  let changes = 0;
  fc.assert(
    fc.property(seeds(25), (edits) => {
      changes += editAndCompare(demoPolicy, edits, inputsOfDemo);
    }),
    { numRuns: 12, endOnFailure: true },
  );
  expect(changes).toBeGreaterThan(20);
}, 90_000);

test('any cart is answered after any edit of any policy as by one compiled from nothing', () => {
  let changes = 0;
  fc.assert(
    fc.property(
      randomPolicyWithZones,
      fc.array(randomInput, { minLength: 3, maxLength: 3 }),
      seeds(16),
      (policy, inputs, edits) => {
        changes += editAndCompare(policy, edits, inputs);
      },
    ),
    { numRuns: 100, endOnFailure: true },
  );
  expect(changes).toBeGreaterThan(120);
}, 90_000);
