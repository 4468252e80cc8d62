import { demoPolicy } from '../../../../demo/policy/demo-policy.ts';
import { demoProducts } from '../../../../demo/products.ts';
import { seededRandom } from '../../../../src/core/statistics/random.ts';
import type { EvaluationInput } from '../../../../src/core/evaluation/evaluation.ts';

const everyMoment = [
  '2026-11-24T11:00Z',
  '2026-11-25T11:00Z',
  '2026-11-25T22:30Z',
  '2027-03-27T12:00Z',
  '2027-05-05T10:00Z',
  '2026-06-10T12:00Z',
].map((at) => Date.parse(at));

/**
 * Mixed carts: products of the demo catalogue, with the destinations, shoppers, codes, channels, quotes and redemptions
 * of the demo's own test carts, at moments in and out of its offers' schedules; the same at each run.
 */
export function mixedCarts(count: number, seed = 1): EvaluationInput[] {
  const random = seededRandom(seed);
  const pick = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)]!;
  const carts = Object.values(demoPolicy.testCarts);
  return Array.from({ length: count }, () => {
    const [who, where, how] = [pick(carts), pick(carts), pick(carts)];
    return {
      cart: {
        lines: Array.from({ length: 1 + Math.floor(random() * 4) }, () => ({
          product: pick(demoProducts),
          quantity: 1 + Math.floor(random() * 3),
        })),
        ...(how.codes ? { codes: how.codes } : {}),
        ...(how.channel ? { channel: how.channel } : {}),
      },
      destination: where.destination,
      instant: pick(everyMoment),
      ...(who.shopper ? { shopper: who.shopper } : {}),
      ...(where.quotes ? { quotes: where.quotes } : {}),
      ...(how.redemptions ? { redemptions: how.redemptions } : {}),
    };
  });
}
