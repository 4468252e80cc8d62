import fc from 'fast-check';
import { expect, test } from 'vitest';
import { compilePolicy } from '../../src/core/evaluation/compile.ts';
import { evaluate } from '../../src/core/evaluation/evaluate.ts';
import type { TraceNode, TraceValue } from '../../src/core/trace/trace.ts';
import { here, randomCart, randomPolicy } from '../support/random-policy.ts';

const minor = (value: TraceValue | undefined): number => (value?.kind === 'money' ? value.minor : 0);
const isYes = (value: TraceValue | undefined): boolean => value?.kind === 'yes' && value.yes;

/** Recomputes an option's price after from what its trace says, and from nothing else. */
function priceFromTrace(option: TraceNode): number {
  const find = (decision: string) => option.children.filter((child) => child.decision === decision);
  const base = minor(find('charge')[0]!.outcome);
  const own = minor(find('ownDelivery')[0]?.outcome);
  let price = base + own;
  for (const goal of find('goal')) {
    const reached = minor(goal.inputs.counted) >= minor(goal.inputs.target);
    if (reached && goal.inputs.coversOwnDelivery) price = Math.min(price, isYes(goal.inputs.coversOwnDelivery) ? 0 : own);
  }
  return price;
}

test('every price follows from its trace alone', () => {
  fc.assert(
    fc.property(randomPolicy, randomCart, (policy, cart) => {
      const evaluation = evaluate(compilePolicy(policy), { cart, destination: here }, { trace: true });
      const options = evaluation.trace!.children.filter(({ decision }) => decision === 'option');
      for (const price of evaluation.options) {
        const trace = options.find(({ inputs }) => inputs.id?.kind === 'text' && inputs.id.text === price.optionId)!;
        expect(priceFromTrace(trace)).toBe(price.after);
        expect(minor(trace.outcome)).toBe(price.after);
        expect(minor(trace.inputs.before)).toBe(price.before);
      }
      const measures = evaluation.trace!.children.find(({ decision }) => decision === 'measures')!;
      const lines = measures.children.reduce((sum, line) => sum + (line.inputs.quantity?.kind === 'number' ? line.inputs.quantity.value : 0) * minor(line.inputs.price), 0);
      expect(minor(measures.outcome)).toBe(lines);
    }),
    { numRuns: 1000 },
  );
});
