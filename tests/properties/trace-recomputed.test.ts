import fc from 'fast-check';
import { expect, test } from 'vitest';
import { demoPolicy } from '../../demo/policy/demo-policy.ts';
import { compilePolicy } from '../../src/core/evaluation/compile.ts';
import { evaluate } from '../../src/core/evaluation/evaluate.ts';
import { inputOfTestCart } from '../../src/core/evaluation/test-cart-input.ts';
import type { EvaluationInput } from '../../src/core/evaluation/evaluation.ts';
import type { Policy } from '../../src/core/policy/types.ts';
import { sentenceOf, type TraceNode } from '../../src/core/trace/trace.ts';
import { demoCatalogue, tuesday } from '../support/evaluate-store.ts';
import {
  lineValues,
  paidFromTrace,
  partsFromTrace,
  taxFromTrace,
  traceAmount,
  traceWord,
} from '../support/price-from-trace.ts';
import { randomInput, randomPolicy } from '../support/random-policy.ts';

/** Recomputes every price of an evaluation from its trace alone. @returns how many prices were recomputed */
function recompute(policy: Policy, input: EvaluationInput): number {
  const evaluation = evaluate(compilePolicy(policy), input, { trace: true });
  const trace = evaluation.trace!;
  const options = trace.children.filter(({ decision }) => decision === 'option');
  const optionTrace = (id: string) => options.find(({ inputs }) => traceWord(inputs.id) === id)!;
  for (const price of evaluation.options) {
    const option = optionTrace(price.optionId);
    const { before, after } = partsFromTrace(option, true);
    expect({ before: paidFromTrace(option, before), after: paidFromTrace(option, after) }).toEqual({
      before: price.before,
      after: price.after,
    });
    expect(traceAmount(option.outcome)).toBe(price.after);
    expect(taxFromTrace(option, policy.markets[evaluation.marketId!]!.tax.prices === 'withTax')).toBe(price.tax);
    for (const reward of option.children.flatMap(({ children }) => children).filter(({ inputs }) => inputs.source)) {
      const source = partsFromTrace(optionTrace(traceWord(reward.inputs.source)), false).after;
      expect(source).toEqual({
        base: traceAmount(reward.inputs.sourceBase),
        own: traceAmount(reward.inputs.sourceOwn),
      });
    }
  }
  const measures = trace.children.find(({ decision }) => decision === 'measures');
  const lines = (measures?.children ?? []).filter(({ decision }) => decision === 'line').map(lineValues);
  const sum = (values: number[]) => values.reduce((a, b) => a + b, 0);
  if (measures) {
    expect(traceAmount(measures.outcome)).toBe(sum(lines.map(({ after }) => after)));
    const taken = measures.children
      .filter(({ decision, outcome }) => decision === 'discount' && outcome.kind === 'money')
      .map(({ outcome }) => traceAmount(outcome));
    expect(sum(lines.map(({ before, after }) => before - after))).toBe(sum(taken));
  }
  return evaluation.options.length;
}

const holes = (trace: TraceNode): string[] => [
  ...(/\{\w+\}/.exec(sentenceOf(trace, String)) ?? []),
  ...trace.children.flatMap(holes),
];

test('every price follows from its trace alone', () => {
  let prices = 0;
  fc.assert(
    fc.property(randomPolicy, randomInput, (policy, input) => void (prices += recompute(policy, input))),
    { numRuns: 1500 },
  );
  expect(prices).toBeGreaterThan(1000);
}, 60_000);

test.each(Object.entries(demoPolicy.testCarts))(
  'demo cart %s: prices follow from the trace, and every sentence is filled',
  (_, cart) => {
    const { input } = inputOfTestCart(cart, demoCatalogue, tuesday);
    recompute(demoPolicy, input);
    expect(holes(evaluate(compilePolicy(demoPolicy), input, { trace: true }).trace!)).toEqual([]);
  },
);
