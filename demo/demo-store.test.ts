import { describe, expect, test } from 'vitest';
import { minorPerMajor } from '../src/core/money/currency.ts';
import { armName } from '../src/core/experiments/arm-name.ts';
import { generateOrders } from './generate-orders.ts';
import { finishedExperiment, marketTruths, orderCount, pastOffer, period } from './order-truth.ts';
import { demoPolicy } from './policy/demo-policy.ts';
import { demoProducts } from './products.ts';

const orders = generateOrders();

/** Standard normal distribution function. Source: Abramowitz & Stegun 7.1.26, error below 1.5e-7. */
function normalShare(z: number): number {
  const t = 1 / (1 + (0.3275911 * Math.abs(z)) / Math.SQRT2);
  const erf =
    1 -
    ((((1.061405429 * t - 1.453152027) * t + 1.421413741) * t - 0.284496736) * t + 0.254829592) *
      t *
      Math.exp((-z * z) / 2);
  return z < 0 ? (1 - erf) / 2 : (1 + erf) / 2;
}

describe('demo orders', () => {
  test('as many as stated, over the stated two years, the same at each run', () => {
    expect(orders).toHaveLength(orderCount);
    expect(orders.every(({ placedAt }) => placedAt >= new Date(period.from) && placedAt < new Date(period.until))).toBe(
      true,
    );
    expect(generateOrders()).toEqual(orders);
    expect(new Set(orders.map(({ orderNumber }) => orderNumber)).size).toBe(orderCount);
  });

  test.each(marketTruths.map((truth) => [truth.market, truth] as const))(
    '%s: values follow the stated mixture',
    (market, truth) => {
      const from = new Date(pastOffer.from);
      const until = new Date(pastOffer.until);
      const here = orders.filter(
        (order) =>
          order.marketId === market &&
          order.arm !== armName(finishedExperiment.experiment, 'lower') &&
          !(market === pastOffer.market && order.placedAt >= from && order.placedAt < until),
      );
      const minor = minorPerMajor(truth.currency);
      for (const at of truth.values.flatMap(({ peak, spread }) => [
        peak * Math.exp(-spread),
        peak,
        peak * Math.exp(spread),
      ])) {
        const expected = truth.values.reduce(
          (sum, { share, peak, spread }) =>
            sum + share * normalShare((Math.log(at) - Math.log(peak) - spread ** 2) / spread),
          0,
        );
        const observed = here.filter((order) => order.goodsMinor < at * minor).length / here.length;
        expect(Math.abs(observed - expected), `${market} below ${at}`).toBeLessThan(
          4 * Math.sqrt((expected * (1 - expected)) / here.length) + 0.004,
        );
      }
      const share = orders.filter((order) => order.marketId === market).length / orders.length;
      expect(Math.abs(share - truth.share)).toBeLessThan(0.015);
    },
  );

  test('the past offer moved orders from below its goal to just above it', () => {
    const count = (inside: boolean, low: number, high: number) =>
      orders.filter(
        ({ marketId, placedAt, goodsMinor }) =>
          marketId === pastOffer.market &&
          (placedAt >= new Date(pastOffer.from) && placedAt < new Date(pastOffer.until)) === inside &&
          goodsMinor >= low &&
          goodsMinor < high,
      ).length;
    const ratio = (inside: boolean) => count(inside, 6000, 6500) / count(inside, 5500, 6000);
    expect(ratio(true)).toBeGreaterThan(2 * ratio(false));
  });
});

describe('demo catalogue', () => {
  test('about forty products with a price in every market of the orders', () => {
    expect(demoProducts.length).toBeGreaterThanOrEqual(38);
    for (const product of demoProducts)
      for (const { market } of marketTruths) expect(product.prices[market], `${product.id} in ${market}`).toBeTruthy();
  });
  test('ids fit the policy’s schema and test carts name products that exist', () => {
    const ids = new Set(demoProducts.map(({ id }) => id));
    for (const id of ids) expect(id).toMatch(/^[a-z0-9][a-z0-9-]{0,39}$/);
    for (const cart of Object.values(demoPolicy.testCarts))
      for (const id of Object.keys(cart.lines)) expect(ids).toContain(id);
  });
});
