import fc from 'fast-check';
import { expect, test } from 'vitest';
import { compilePolicy } from '../../src/core/evaluation/compile.ts';
import { evaluate } from '../../src/core/evaluation/evaluate.ts';
import type { TraceNode, TraceValue } from '../../src/core/trace/trace.ts';
import { here, randomCart, randomPolicy } from '../support/random-policy.ts';

const minor = (value: TraceValue | undefined): number => (value?.kind === 'money' ? value.minor : 0);
const isYes = (value: TraceValue | undefined): boolean => value?.kind === 'yes' && value.yes;

const count = (value: TraceValue | undefined): number => (value?.kind === 'number' ? value.value : 0);

/** A line's price from its inputs: fixed, per unit, minimum, maximum. */
function lineFromTrace({ inputs }: TraceNode): number {
  let price = minor(inputs.fixed);
  if (inputs.per) {
    const units = count(inputs.beyond) / count(inputs.per);
    price += isYes(inputs.started) ? minor(inputs.amount) * Math.ceil(units) : Math.floor((2 * minor(inputs.amount) * count(inputs.beyond) + count(inputs.per)) / (2 * count(inputs.per)));
  }
  price = Math.max(price, minor(inputs.min));
  return inputs.max ? Math.min(price, minor(inputs.max)) : price;
}

/** A charge from its lines and the way they combine; without lines from its outcome, which is then a stated price. */
function chargeFromTrace(charge: TraceNode): number {
  const prices = charge.children.map(lineFromTrace);
  for (const [index, line] of charge.children.entries()) expect(minor(line.outcome)).toBe(prices[index]);
  if (prices.length === 0) return minor(charge.outcome);
  const combine = charge.inputs.combine?.kind === 'text' ? charge.inputs.combine.text : '';
  if (combine === 'sum') return prices.reduce((a, b) => a + b, 0);
  return combine === 'highest' ? Math.max(...prices) : combine === 'lowest' ? Math.min(...prices) : prices[0]!;
}

/** Recomputes an option's price after from what its trace says, and from nothing else. */
function priceFromTrace(option: TraceNode): number {
  const find = (decision: string) => option.children.filter((child) => child.decision === decision);
  const base = chargeFromTrace(find('charge')[0]!);
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
