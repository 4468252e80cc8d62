import fc from 'fast-check';
import { expect, test } from 'vitest';
import { compilePolicy } from '../../src/core/evaluation/compile.ts';
import { evaluate } from '../../src/core/evaluation/evaluate.ts';
import type { EvaluationInput } from '../../src/core/evaluation/evaluation.ts';
import type { Policy } from '../../src/core/policy/types.ts';
import { renderLead } from '../../src/core/wording/render.ts';
import { checkPolicy } from '../../src/core/checks/validate.ts';
import { plainEvaluate, type PlainAnswer } from '../support/plain/plain-evaluator.ts';
import { randomInput, randomPolicy, randomPolicyWithZones } from '../support/random-policy.ts';

/** The first evaluator's answer in the words of the second. */
function answerOf(policy: Policy, input: EvaluationInput): PlainAnswer {
  const compiled = compilePolicy(policy);
  const found = evaluate(compiled, input);
  return {
    market: found.marketId,
    zone: found.zoneId,
    options: found.options.map(({ optionId, before, after, tax, setBy, estimate }) => ({
      id: optionId,
      before,
      after,
      tax,
      setBy: setBy.map(({ offerId, goalId }) => `${offerId}/${goalId}`),
      leaves: estimate.unit === 'workingDays' ? estimate.leaves : '',
      latest: estimate.unit === 'workingDays' ? estimate.latest : '',
    })),
    unavailable: found.unavailable.map(({ optionId }) => optionId),
    goals: found.offers.flatMap(({ offerId, status, goals }) =>
      goals.map(({ goalId, counted, target, remaining, percent, reached }) => ({
        offer: offerId,
        goal: goalId,
        status,
        counted,
        target,
        remaining,
        percent,
        reached,
      })),
    ),
    read: {
      strip: renderLead(compiled, found, 'strip', 'en-GB')?.text.replace(': gift', '') ?? null,
      cart: renderLead(compiled, found, 'cart', 'en-GB')?.text.replace(': gift', '') ?? null,
    },
    gifts: found.gifts.map(({ product, quantity }) => `${quantity} ${product}`),
    preselected: found.preselected,
    totals: found.totals,
  };
}

const seed = Number(process.env.FAST_CHECK_SEED ?? Date.now() % 2 ** 31);
console.log(`second evaluator: seed ${seed} (repeat with FAST_CHECK_SEED=${seed})`);

/** Runs of a batch, short enough for the test runner to hear of each. */
const batch = 200;
const batches = [
  ...Array.from({ length: 10 }, (_, index) => ['one zone', index, randomPolicy] as const),
  ...Array.from({ length: 4 }, (_, index) => ['several zones', index, randomPolicyWithZones] as const),
];

test.each(batches)(
  'two evaluators that share no code agree: %s, batch %i',
  (_, index, policies) => {
    let checked = 0;
    fc.assert(
      fc.property(policies, fc.array(randomInput, { minLength: 1, maxLength: 3 }), (policy, inputs) => {
        const check = checkPolicy(policy);
        // Goals that do not ascend cannot be saved.
        fc.pre(check.ok || !check.faults.every(({ message }) => message === 'must be more than the goal before it'));
        expect(check.ok ? [] : check.faults).toEqual([]);
        for (const input of inputs) {
          checked++;
          expect(answerOf(policy, input)).toEqual(plainEvaluate(policy, input));
        }
      }),
      { numRuns: batch, seed: seed + index },
    );
    expect(checked).toBeGreaterThanOrEqual(batch);
  },
  120_000,
);
