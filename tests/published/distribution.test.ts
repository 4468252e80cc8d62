// Source: d3-array (bisect, bin), a reference library for such counts.
import { bin, bisectLeft } from 'd3-array';
import fc from 'fast-check';
import { expect, test } from 'vitest';
import { bands, ordersBelow } from '../../src/core/orders/distribution.ts';
import { fromValues } from '../support/distributions.ts';

const orders = fc.array(fc.integer({ min: 0, max: 2999 }), { minLength: 1, maxLength: 200 }).map((values) => values.sort((a, b) => a - b));

test('orders below an amount', () => {
  fc.assert(fc.property(orders, fc.integer({ min: -10, max: 3100 }), (values, at) => void expect(ordersBelow(fromValues(values), at)).toBe(bisectLeft(values, at))));
});

test('half-open bands', () => {
  const thresholds = Array.from({ length: 12 }, (_, index) => index * 250);
  const reference = bin<number, number>().domain([0, 3000]).thresholds(thresholds.slice(1));
  fc.assert(fc.property(orders, (values) => void expect(bands(fromValues(values), 250, 3000).map((band) => band.orders)).toEqual(reference(values).map((group) => group.length))));
});
