import fc from 'fast-check';
import { demoPolicy } from '../../../demo/policy/demo-policy.ts';
import { demoProducts } from '../../../demo/products.ts';
import { demoToPlantIn, examinedDemo } from '../../../tests/support/planted/examined-demo.ts';
import { plantedFaults } from '../../../tests/support/planted/planted-faults.ts';
import { randomPolicyWithZones } from '../../../tests/support/random-policy.ts';
import { catalogueOf } from '../../../src/core/catalogue/product.ts';
import { checkUp, checkUpPart } from '../../../src/core/check-up/check-up.ts';
import { evaluate } from '../../../src/core/evaluation/evaluate.ts';
import { inputOfTestCart } from '../../../src/core/evaluation/test-cart-input.ts';
import { compilePolicy } from '../../../src/core/evaluation/compile.ts';
import type { Policy } from '../../../src/core/policy/types.ts';
import { median, type Bar } from '../bar.ts';
import { bigStore } from '../big-store.ts';

const now = Date.parse('2026-11-24T11:00Z');
const catalogue = catalogueOf(demoProducts);

/** The check-up whole, and after an edit of one price; the demo, and 60 markets with 400 zones and 3,000 options. */
export async function bars(): Promise<Bar[]> {
  return [
    ...barsOf('the demo', demoPolicy, 20, { whole: 100, edited: 30 }),
    ...barsOf('60 markets, 400 zones, 3,000 options', bigStore(), 3, { whole: 2000, edited: 100 }),
    recall(),
    falseWrong(),
  ];
}

/** How many of the faults that are planted into the demo are found. */
function recall(): Bar {
  const known = new Set(checkUp(examinedDemo(demoToPlantIn)).findings.map(({ id, sentence }) => `${id} ${sentence}`));
  const found = plantedFaults.filter(({ kind, plant, products, surfaces, says }) => {
    const policy = structuredClone(demoToPlantIn);
    const sold = structuredClone(demoProducts);
    plant?.(policy);
    products?.(sold);
    return checkUp(examinedDemo(policy, sold, surfaces)).findings.some(
      (one) => one.kind === kind && one.sentence.includes(says) && !known.has(`${one.id} ${one.sentence}`),
    );
  }).length;
  return {
    name: 'faults planted into the demo that are found',
    measured: `${found} of ${plantedFaults.length}`,
    required: 'all',
    held: found === plantedFaults.length,
  };
}

/** Of what is called wrong in random policies, what the cart beside it does not show. */
function falseWrong(): Bar {
  let wrong = 0;
  let untrue = 0;
  for (const policy of fc.sample(randomPolicyWithZones, { numRuns: 500, seed: 17 })) {
    const compiled = compilePolicy(policy);
    for (const { severity, example, kind } of checkUp({ compiled, catalogue, now, locale: 'en-GB' }).findings) {
      if (severity !== 'wrong' || !example || kind === 'testCartFails') continue;
      wrong++;
      const { options, unavailable } = evaluate(compiled, inputOfTestCart(example, catalogue, now).input);
      if (options.length > 0 && unavailable.length === 0) untrue++;
    }
  }
  return {
    name: `called wrong in 500 random policies (${wrong}), not shown by their cart`,
    measured: String(untrue),
    required: '0',
    held: untrue === 0,
  };
}

function barsOf(name: string, policy: Policy, runs: number, most: { whole: number; edited: number }): Bar[] {
  const [whole, edited]: [number[], number[]] = [[], []];
  for (let run = 0; run < runs; run++) {
    const anew = structuredClone(policy);
    whole.push(timed(anew));
    edited.push(timed(withOtherPrice(anew, run)));
  }
  const bar = (what: string, times: number[], limit: number): Bar => ({
    name: `check-up of ${name}, ${what}`,
    measured: `${median(times).toFixed(1)} ms`,
    required: `< ${limit} ms`,
    held: median(times) < limit,
  });
  return [bar('whole', whole, most.whole), bar('after one edit', edited, most.edited)];
}

/** Without guarantees, which are looked at after all else and have a bench of their own. */
function timed(policy: Policy): number {
  const start = performance.now();
  checkUpPart({ compiled: compilePolicy(policy), catalogue, now, locale: 'en-GB' }, 'others');
  return performance.now() - start;
}

/** The policy with another price in one option, and everything else as it was. */
function withOtherPrice(policy: Policy, run: number): Policy {
  const [id, option] = Object.entries(policy.options)[0]!;
  const charge = { ...option.charge, otherwise: { kind: 'price' as const, price: { exact: 900 + run } } };
  return { ...policy, options: { ...policy.options, [id]: { ...option, charge } } };
}
