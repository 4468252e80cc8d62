import { demoPolicy } from '../../../demo/policy/demo-policy.ts';
import { demoProducts } from '../../../demo/products.ts';
import { catalogueOf } from '../../../src/core/catalogue/product.ts';
import { checkUp } from '../../../src/core/check-up/check-up.ts';
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
  ];
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

function timed(policy: Policy): number {
  const start = performance.now();
  checkUp({ compiled: compilePolicy(policy), catalogue, now, locale: 'en-GB' });
  return performance.now() - start;
}

/** The policy with another price in one option, and everything else as it was. */
function withOtherPrice(policy: Policy, run: number): Policy {
  const [id, option] = Object.entries(policy.options)[0]!;
  const charge = { ...option.charge, otherwise: { kind: 'price' as const, price: { exact: 900 + run } } };
  return { ...policy, options: { ...policy.options, [id]: { ...option, charge } } };
}
