import { demoProducts } from '../../../demo/products.ts';
import { seededRandom } from '../../../demo/random.ts';
import type { EvaluationInput } from '../../../src/core/evaluation/evaluation.ts';

/** Mixed carts of the demo catalogue for its markets and one country nobody sells to; the same at each run. */
export function mixedCarts(count: number, seed = 1): EvaluationInput[] {
  const random = seededRandom(seed);
  const pick = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)]!;
  return Array.from({ length: count }, () => ({
    cart: { lines: Array.from({ length: 1 + Math.floor(random() * 4) }, () => ({ product: pick(demoProducts), quantity: 1 + Math.floor(random() * 3) })) },
    destination: { country: pick(['NL', 'NL', 'BE', 'GB', 'GB', 'CA']), postcode: pick(['1799 ZA', '8499', 'ZZ1 1ZZ', '']) },
  }));
}
