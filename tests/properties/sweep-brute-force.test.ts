import fc from 'fast-check';
import { expect, test } from 'vitest';
import { demoPolicy } from '../../demo/policy/demo-policy.ts';
import { measureCart } from '../../src/core/cart/measures.ts';
import { chargeBreakpoints } from '../../src/core/charges/charge.ts';
import { compilePolicy, type CompiledPolicy, type CompiledZone } from '../../src/core/evaluation/compile.ts';
import { evaluate } from '../../src/core/evaluation/evaluate.ts';
import { segmentOf, sweepGoodsValue } from '../../src/core/sweep/sweep-goods-value.ts';
import { ordinaryProduct, randomPolicy } from '../support/random-policy.ts';

/** The sweep at a value, against an evaluation of a cart worth exactly that. */
function agreesAt(compiled: CompiledPolicy, zone: CompiledZone, country: string, value: number): void {
  const product = ordinaryProduct(value, { prices: { [zone.market.id]: value }, weightGrams: 740, sizeMm: [300, 200, 90] });
  const segment = segmentOf(sweepGoodsValue(zone, measureCart({ lines: [{ product, quantity: 1 }] }, zone.market.id).charged), value);
  const evaluation = evaluate(compiled, { cart: { lines: [{ product, quantity: 1 }] }, destination: { country, postcode: '' } });
  expect(segment.from).toBeLessThanOrEqual(value);
  expect(segment.to ?? Infinity).toBeGreaterThan(value);
  for (const [index, option] of zone.options.entries()) {
    const evaluated = evaluation.options.find(({ optionId }) => optionId === option.id);
    expect({ value, price: segment.options[index] }).toEqual({ value, price: evaluated ? { before: evaluated.before, after: evaluated.after } : null });
  }
  const reached = evaluation.offers.flatMap(({ offerId, goals }) => goals.filter((goal) => goal.reached).map(({ goalId }) => `${offerId}/${goalId}`));
  expect(segment.reached).toEqual(reached);
}

function valuesAround(zone: CompiledZone): number[] {
  const points = [...zone.options.flatMap(({ charge }) => chargeBreakpoints(charge)), ...zone.offers.flatMap(({ goals }) => goals.map(({ target }) => target))];
  return [0, ...points.flatMap((point) => [point - 1, point, point + 1])].filter((value) => value >= 0);
}

test('the sweep equals evaluation at every breakpoint and one minor unit to each side, for random policies', () => {
  fc.assert(
    fc.property(randomPolicy, (policy) => {
      const compiled = compilePolicy(policy);
      const zone = compiled.markets.get('here')!.zones[0]!;
      for (const value of valuesAround(zone)) agreesAt(compiled, zone, 'NL', value);
    }),
    { numRuns: 400 },
  );
});

test('the same for every market of the demo store, and every 37 cents up to 160.00', () => {
  const compiled = compilePolicy(demoPolicy);
  for (const market of compiled.markets.values()) {
    const [zone] = market.zones;
    for (const value of valuesAround(zone!)) agreesAt(compiled, zone!, market.market.countries[0]!, value);
    for (let value = 0; value <= 16_000; value += 37) agreesAt(compiled, zone!, market.market.countries[0]!, value);
  }
});

test('segments follow one another without gap or overlap and differ from their neighbours', () => {
  fc.assert(
    fc.property(randomPolicy, (policy) => {
      const { segments } = sweepGoodsValue(compilePolicy(policy).markets.get('here')!.zones[0]!);
      expect(segments[0]!.from).toBe(0);
      expect(segments.at(-1)!.to).toBeNull();
      for (const [index, segment] of segments.slice(1).entries()) {
        expect(segment.from).toBe(segments[index]!.to);
        expect({ ...segment, from: 0, to: 0 }).not.toEqual({ ...segments[index]!, from: 0, to: 0 });
      }
    }),
  );
});
