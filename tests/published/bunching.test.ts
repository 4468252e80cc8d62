// The estimator of what a goal moved, against simulations whose truth is known. Sources of the simulated behaviour: an
// isoelastic buyer at a notch, as in H. Kleven and M. Waseem, Quarterly Journal of Economics 128 (2013); and the stated mixture
// of the demo orders (demo/order-truth.ts).
import { describe, expect, test } from 'vitest';
import { generateOrders } from '../../demo/generate-orders.ts';
import { pastOffer } from '../../demo/order-truth.ts';
import { measureBunching, type Interval } from '../../src/core/orders/bunching.ts';
import { normal, seededRandom } from '../../src/core/statistics/random.ts';
import { fromValues } from '../support/distributions.ts';

const holds = ({ low, high }: Interval, truth: number) => low <= truth && truth <= high;
const sorted = (values: number[]) => fromValues(values.sort((a, b) => a - b));

/**
 * Order values of buyers whose wish v is log-normal and whose demand has elasticity e: a further unit at x is worth
 * (x ÷ v)^(−1/e) to them. Raising a wish to the goal g thus costs them the integral of 1 − (x ÷ v)^(−1/e) from v to g; whoever
 * loses less than the price of delivery by that buys for g, give or take a small article.
 */
function isoelasticOrders(
  seed: number,
  count: number,
  elasticity: number,
  goal: number,
  delivery: number,
): { values: number[]; moved: number; withinReach: number; reach: number } {
  const random = seededRandom(seed);
  const power = 1 - 1 / elasticity;
  const lossOf = (wish: number) => {
    const ratio = goal / wish;
    return wish * (ratio - 1 - (ratio ** power - 1) / power);
  };
  let reach = goal;
  while (reach > 1 && lossOf(reach) < delivery) reach -= 1;
  const values: number[] = [];
  let [moved, withinReach] = [0, 0];
  for (let i = 0; i < count; i++) {
    const wish = Math.exp(Math.log(4200) + 0.42 * normal(random));
    const lifted = wish < goal && lossOf(wish) < delivery;
    if (wish >= reach && wish < goal) withinReach++;
    if (lifted) moved++;
    values.push(Math.round(lifted ? goal - Math.log(1 - random()) * 150 : wish));
  }
  return { values, moved, withinReach, reach };
}

describe('simulated notches of known elasticity', () => {
  test.each([0.15, 0.3, 0.6])(
    'elasticity %s: the number moved is found within its 90 % interval in at least 33 of 40 runs, without a lean',
    (elasticity) => {
      let within = 0;
      let lean = 0;
      for (let seed = 1; seed <= 40; seed++) {
        const goal = 6000;
        const { values, moved, reach } = isoelasticOrders(seed * 101, 4000, elasticity, goal, 595);
        const answer = measureBunching(sorted(values), { goal, from: Math.round(reach * 0.97), to: 6900 }, seed);
        if (!answer.ok) throw new Error(`no estimate: ${JSON.stringify(answer)}`);
        if (holds(answer.result.moved, moved)) within++;
        lean += answer.result.moved.likely / moved - 1;
      }
      expect(within).toBeGreaterThanOrEqual(33);
      expect(Math.abs(lean / 40)).toBeLessThan(0.08);
    },
  );
  test('without a goal nothing is found: the interval holds none in at least 33 of 40 runs', () => {
    let none = 0;
    for (let seed = 1; seed <= 40; seed++) {
      const { values } = isoelasticOrders(seed * 77, 4000, 0.3, 6000, 0);
      const answer = measureBunching(sorted(values), { goal: 6000, from: 4800, to: 6900 }, seed);
      if (!answer.ok) throw new Error('no estimate');
      if (holds(answer.result.moved, 0)) none++;
      if (answer.clear) expect(answer.result.moved.low).toBeGreaterThan(0);
    }
    expect(none).toBeGreaterThanOrEqual(33);
  });
});

describe('the demo orders', () => {
  const from = new Date(pastOffer.from);
  const until = new Date(pastOffer.until);
  const during = (seed?: number) =>
    generateOrders(seed)
      .filter((o) => o.marketId === pastOffer.market && o.placedAt >= from && o.placedAt < until)
      .map((o) => o.goodsMinor);
  const question = { goal: pastOffer.goal * 100, from: (pastOffer.goal - pastOffer.reach) * 100, to: 7000 };
  test('the past offer: the share moved lies within the interval', () => {
    const answer = measureBunching(sorted(during()), question);
    if (!answer.ok) throw new Error('no estimate');
    expect(answer.clear).toBe(true);
    expect(answer.result.share.likely).toBeGreaterThan(0.3);
    expect(answer.result.share.high).toBeGreaterThan(pastOffer.moved - 0.02);
    expect(answer.result.share.low).toBeLessThan(pastOffer.moved);
  });
  test('over ten other drawings of the same mixture at least eight intervals hold the truth', () => {
    const answers = Array.from({ length: 10 }, (_, i) => measureBunching(sorted(during(i + 2)), question, i + 2));
    expect(
      answers.filter((answer) => answer.ok && holds(answer.result.share, pastOffer.moved)).length,
    ).toBeGreaterThanOrEqual(8);
  });
});

describe('when the data do not support an estimate', () => {
  test('too few orders', () => {
    expect(
      measureBunching(sorted(isoelasticOrders(1, 250, 0.3, 6000, 595).values), { goal: 6000, from: 4800, to: 6900 }),
    ).toEqual({ ok: false, because: 'tooFewOrders' });
  });
  test('orders that all cost one of a few round prices', () => {
    const values = isoelasticOrders(1, 6000, 0.3, 6000, 0).values.map((value) => Math.round(value / 1000) * 1000);
    expect(measureBunching(sorted(values), { goal: 6000, from: 4800, to: 6900 })).toEqual({
      ok: false,
      because: 'roughOutside',
    });
  });
  test('the same seed gives the same interval, progress is told', () => {
    const distribution = sorted(isoelasticOrders(5, 3000, 0.3, 6000, 0).values);
    const question = { goal: 6000, from: 4800, to: 6900 };
    const told: number[] = [];
    const first = measureBunching(distribution, question, 7, (share) => told.push(share));
    expect(first).toEqual(measureBunching(distribution, question, 7));
    expect(told).toHaveLength(100);
    expect(told).toEqual([...told].sort((a, b) => a - b));
  });
});
