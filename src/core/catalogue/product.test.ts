import { expect, test } from 'vitest';
import { changedProduct, stateOf, type Product, type ProductDeliveryChange } from './product.ts';

const product: Product = {
  id: 'p',
  sku: 'P',
  name: 'Post',
  prices: { a: 100, b: 200 },
  taxClass: 'standard',
  preparationDays: 0,
  weightGrams: 1,
  sizeMm: null,
  categories: [],
  tags: [],
  needsDelivery: true,
  countsTowardGoals: true,
  shipsFree: false,
  ownDelivery: { a: 500 },
  notTo: [],
};

test('a flag changes alone, and changing it back is as before', () => {
  const change: ProductDeliveryChange = { field: 'shipsFree', was: false, now: true };
  const changed = changedProduct(product, change);
  expect(changed).toEqual({ ...product, shipsFree: true });
  expect(changedProduct(changed, { ...change, was: true, now: false })).toEqual(product);
});
test('a delivery price of a market is set beside others; without the last one there is no table', () => {
  const both = changedProduct(product, { field: 'ownDelivery', market: 'b', was: null, now: 700 });
  expect(both.ownDelivery).toEqual({ a: 500, b: 700 });
  expect([
    stateOf(both, { field: 'ownDelivery', market: 'b', was: null, now: null }),
    stateOf(product, { field: 'ownDelivery', market: 'b', was: null, now: null }),
  ]).toEqual([700, null]);
  const onlyB = changedProduct(both, { field: 'ownDelivery', market: 'a', was: 500, now: null });
  expect(onlyB.ownDelivery).toEqual({ b: 700 });
  expect(changedProduct(onlyB, { field: 'ownDelivery', market: 'b', was: 700, now: null }).ownDelivery).toBeNull();
});
