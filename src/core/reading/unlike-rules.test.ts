import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { randomStore } from '../../../tests/support/random-stores.ts';
import { emptyColumns } from '../orders/columns.ts';
import { emptyShipments } from '../orders/replay/shipments.ts';
import type { ReadableOrders } from './readable-orders.ts';
import { readStore } from './read-store.ts';
import { unlikeRules } from './unlike-rules.ts';

const orders = (paid: readonly number[]): ReadableOrders => {
  const columns = emptyColumns(paid.length, ['door']);
  for (const [i, delivery] of paid.entries()) {
    columns.delivery[i] = delivery;
    columns.goods[i] = 1000 * i;
    columns.day[i] = 20_000 + i;
  }
  return {
    currency: 'EUR',
    columns,
    shipments: emptyShipments(paid.length, [['NL', '', '1799 ZA']]),
    numbers: paid.map((_, i) => `E-${i}`),
  };
};

describe('orders that do not pay what the rules say', () => {
  test('are put together by what they should have paid and what they paid, with the newest as examples', () => {
    const all = orders([595, 0, 0, 595, 0, 0, 100]);
    const found = unlikeRules(all, Uint32Array.from([0, 1, 2, 3, 4, 5, 6]), () => 595);
    expect(found.orders).toBe(5);
    expect(found.groups.map(({ charged, orders: count }) => [charged, count])).toEqual([
      [0, 4],
      [100, 1],
    ]);
    expect(found.groups[0]!.examples.map(({ number }) => number)).toEqual(['E-5', 'E-4', 'E-2']);
    expect(found.groups[0]!.examples[0]).toEqual({
      at: 5,
      number: 'E-5',
      day: 20_005,
      value: 5000,
      place: ['NL', '', '1799 ZA'],
    });
  });

  test('are as many as there are, whichever are named', () => {
    fc.assert(
      fc.property(fc.array(fc.constantFrom(0, 100, 200, 300, 400, 500, 600), { maxLength: 60 }), (paid) => {
        const found = unlikeRules(orders(paid), Uint32Array.from(paid.keys()), () => 300);
        expect(found.orders).toBe(paid.filter((one) => one !== 300).length);
        expect(found.groups.reduce((sum, group) => sum + group.orders, 0)).toBeLessThanOrEqual(found.orders);
      }),
    );
  });

  test('and those that do are all orders of a market', () => {
    for (const seed of [3, 14, 22])
      for (const market of readStore(randomStore(seed).orders))
        expect(market.explained + market.unlike.orders).toBe(market.orders);
  });
});
