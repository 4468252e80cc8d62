import { demoPolicy } from '../../../demo/policy/demo-policy.ts';
import { demoProducts } from '../../../demo/products.ts';
import { catalogueOf } from '../../../src/core/catalogue/product.ts';
import { compilePolicy } from '../../../src/core/evaluation/compile.ts';
import { evaluate } from '../../../src/core/evaluation/evaluate.ts';
import { inputOfTestCart, situationOfTestCart } from '../../../src/core/evaluation/test-cart-input.ts';
import { seamsOf } from '../../../src/core/sweep/seams.ts';
import { median, quantile, type Bar } from '../bar.ts';

const now = Date.parse('2026-11-25T11:00Z');

/** Walking the seams of the demo's test cart that has most of them, with its shopper, place, moment and codes. */
export async function bars(): Promise<Bar[]> {
  const compiled = compilePolicy(demoPolicy);
  const catalogue = catalogueOf(demoProducts);
  const walks = Object.values(demoPolicy.testCarts).flatMap((cart) => {
    const { input } = inputOfTestCart(cart, catalogue, now);
    const { marketId, zoneId } = evaluate(compiled, input);
    const zone = compiled.markets.get(marketId ?? '')?.zones.find(({ id }) => id === zoneId);
    return zone ? [{ name: cart.name, walk: () => seamsOf(zone, situationOfTestCart(cart, now), 100_000) }] : [];
  });
  const richest = walks.reduce((most, one) => (one.walk().length > most.walk().length ? one : most));
  const times: number[] = [];
  for (let run = 0; run < 60; run++) {
    const start = performance.now();
    richest.walk();
    times.push(performance.now() - start);
  }
  const worst = quantile(times, 0.95);
  return [
    {
      name: `the ${richest.walk().length} seams of “${richest.name}”`,
      measured: `${median(times).toFixed(1)} ms, 95 % ${worst.toFixed(1)} ms`,
      required: '95 % < 200 ms',
      held: worst < 200,
    },
  ];
}
