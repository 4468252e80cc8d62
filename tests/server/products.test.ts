import { describe, expect, test } from 'vitest';
import type { Product, ProductDeliveryChange } from '../../src/core/catalogue/product.ts';
import { call, type ProblemBody } from '../support/api.ts';
import { startApplication } from '../support/application.ts';
import { address, databaseUrl } from '../support/server-here.ts';

const product = async () =>
  (await call<{ products: Product[] }>(address, 'GET', '/api/products')).body.products.find(
    ({ id }) => id === 'tidewing-16',
  )!;
const change = (body: ProductDeliveryChange | Record<string, unknown>, id = 'tidewing-16') =>
  call<ProblemBody & { product: Product }>(address, 'PATCH', `/api/products/${id}`, { body });
const priceTo = async (country: string, at = address) => {
  const { body } = await call<{ options: { id: string; priceBefore: number }[] }>(at, 'POST', '/api/quote', {
    body: { lines: [{ product: 'tidewing-16', quantity: 2 }], destination: { country, postcode: '10115' } },
  });
  return body.options.find(({ id }) => id === 'deat-door')?.priceBefore;
};

describe('what bears on a product’s delivery', () => {
  test('is changed and changed back, and quotes follow at once', async () => {
    const before = await product();
    const was = before.ownDelivery?.deat ?? null;
    const ordinary = await priceTo('DE');
    const changed = await change({ field: 'ownDelivery', market: 'deat', was, now: 1234 });
    expect([changed.status, changed.body.product.ownDelivery]).toEqual([200, { ...before.ownDelivery, deat: 1234 }]);
    expect(await priceTo('DE')).toBe(2468);
    expect((await change({ field: 'ownDelivery', market: 'deat', was: 1234, now: was })).status).toBe(200);
    expect([await product(), await priceTo('DE')]).toEqual([before, ordinary]);
  });
  test('and is followed by quotes of another process on the same database', async () => {
    const was = (await product()).ownDelivery?.deat ?? null;
    const other = await startApplication({ DATABASE_URL: databaseUrl }, ['--empty']);
    try {
      const ordinary = await priceTo('DE', other.address);
      await change({ field: 'ownDelivery', market: 'deat', was, now: 1111 });
      await expect.poll(() => priceTo('DE', other.address), { interval: 20 }).toBe(2222);
      await change({ field: 'ownDelivery', market: 'deat', was: 1111, now: was });
      await expect.poll(() => priceTo('DE', other.address), { interval: 20 }).toBe(ordinary);
    } finally {
      await other.stop();
    }
  });
  test('a change made on what is no longer so is refused with the product as it is', async () => {
    const { shipsFree } = await product();
    const refused = await change({ field: 'shipsFree', was: !shipsFree, now: shipsFree });
    expect([refused.status, refused.body.product.shipsFree]).toEqual([409, shipsFree]);
  });
  test('of two made on the same state one is made', async () => {
    const { needsDelivery } = await product();
    const both = await Promise.all([
      change({ field: 'needsDelivery', was: needsDelivery, now: !needsDelivery }),
      change({ field: 'needsDelivery', was: needsDelivery, now: !needsDelivery }),
    ]);
    expect(both.map(({ status }) => status).sort()).toEqual([200, 409]);
    await change({ field: 'needsDelivery', was: !needsDelivery, now: needsDelivery });
  });
  test('a following amount, nonsense, and a product that does not exist', async () => {
    const was = (await product()).ownDelivery?.deat ?? null;
    const following = { following: { base: 900, buffer: '0', round: 'nearest' as const, step: 5, less: 0 } };
    expect(
      (await change({ field: 'ownDelivery', market: 'deat', was, now: following })).body.product.ownDelivery?.deat,
    ).toEqual(following);
    expect((await change({ field: 'ownDelivery', market: 'deat', was: following, now: was })).status).toBe(200);
    for (const wrong of [
      { field: 'ownDelivery', market: 'deat', was, now: -1 },
      { field: 'ownDelivery', was, now: 5 },
      { field: 'name', was: 'a', now: 'b' },
      { field: 'shipsFree', was: true, now: 'yes' },
    ])
      expect((await change(wrong)).status).toBe(422);
    expect((await change({ field: 'shipsFree', was: true, now: false }, 'no-such-product')).status).toBe(404);
  });
});
