import fc from 'fast-check';
import { expect, test } from 'vitest';
import { demoPolicy } from '../../demo/policy/demo-policy.ts';
import { mixedCarts } from '../../scripts/bench/evaluate/carts.ts';
import { compilePolicy } from '../../src/core/evaluation/compile.ts';
import { evaluate } from '../../src/core/evaluation/evaluate.ts';
import type { Evaluation } from '../../src/core/evaluation/evaluation.ts';
import { checkPolicy } from '../../src/core/policy/validate.ts';
import { plainEvaluate, type PlainAnswer } from '../support/plain-evaluator.ts';
import { randomCart, randomPlace, randomPolicyWithZones } from '../support/random-policy.ts';

function asPlain(evaluation: Evaluation): PlainAnswer {
  return {
    market: evaluation.marketId,
    zone: evaluation.zoneId,
    options: evaluation.options.map(({ optionId, before, after, tax, offerId }) => ({ id: optionId, before, after, tax, offer: offerId })),
    goals: evaluation.offers.flatMap(({ offerId, goals }) => goals.map(({ remaining, percent, reached }) => ({ offer: offerId, remaining, percent, reached }))),
    lead: evaluation.lead ? { offer: evaluation.lead.offerId, state: evaluation.lead.state } : null,
  };
}

test('a second evaluator agrees on random policies, carts and places', () => {
  const seen = { options: 0, rewarded: 0, nowhere: 0 };
  fc.assert(
    fc.property(randomPolicyWithZones, randomCart, randomPlace, (policy, cart, destination) => {
      expect(checkPolicy(policy).ok).toBe(true);
      const answer = asPlain(evaluate(compilePolicy(policy), { cart, destination }));
      expect(answer).toEqual(plainEvaluate(policy, cart.lines, destination));
      seen.options += answer.options.length;
      seen.rewarded += answer.options.filter(({ offer }) => offer).length;
      seen.nowhere += answer.zone ? 0 : 1;
    }),
    { numRuns: 4000 },
  );
  expect(Math.min(seen.options, seen.rewarded, seen.nowhere)).toBeGreaterThan(200);
});

test('and on mixed carts of the demo store', () => {
  const compiled = compilePolicy(demoPolicy);
  for (const input of mixedCarts(3000, 7)) expect(asPlain(evaluate(compiled, input))).toEqual(plainEvaluate(demoPolicy, input.cart.lines, input.destination));
});
