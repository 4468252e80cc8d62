// Source: d3-array (bisect, bin), a reference library for such counts.
import { bin, bisectLeft } from 'd3-array';
import fc from 'fast-check';
import { expect, test } from 'vitest';
import { bands, beyondBands, ordersBelow } from '../../src/core/orders/distribution.ts';
import { fromValues } from '../support/distributions.ts';

const orders = fc
  .array(fc.integer({ min: 0, max: 2999 }), { minLength: 1, maxLength: 200 })
  .map((values) => values.sort((a, b) => a - b));

test('orders below an amount', () => {
  fc.assert(
    fc.property(
      orders,
      fc.integer({ min: -10, max: 3100 }),
      (values, at) => void expect(ordersBelow(fromValues(values), at)).toBe(bisectLeft(values, at)),
    ),
  );
});

test('what lies beyond the bands is the rest of the orders', () => {
  fc.assert(
    fc.property(orders, fc.integer({ min: 1, max: 900 }), fc.integer({ min: 1, max: 4000 }), (values, width, until) => {
      const distribution = fromValues(values);
      const drawn = bands(distribution, width, until);
      const beyond = beyondBands(distribution, width, until);
      expect([beyond.from, beyond.orders]).toEqual([
        drawn.at(-1)!.to,
        values.length - drawn.reduce((sum, band) => sum + band.orders, 0),
      ]);
    }),
  );
});
test('half-open bands', () => {
  const thresholds = Array.from({ length: 12 }, (_, index) => index * 250);
  const reference = bin<number, number>().domain([0, 3000]).thresholds(thresholds.slice(1));
  fc.assert(
    fc.property(
      orders,
      (values) =>
        void expect(bands(fromValues(values), 250, 3000).map((band) => band.orders)).toEqual(
          reference(values).map((group) => group.length),
        ),
    ),
  );
});
