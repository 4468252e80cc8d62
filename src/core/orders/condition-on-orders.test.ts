import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { tree, type Node } from '../../../tests/support/conditions.ts';
import { smallStore } from '../../../tests/support/small-store.ts';
import { compileTerms } from '../markets/terms.ts';
import { dayNumber } from '../time/day.ts';
import { emptyColumns, shopperNew, shopperReturning, type OrderColumns } from './columns.ts';
import { conditionOnOrders, quarter } from './condition-on-orders.ts';

const terms = compileTerms(smallStore.markets.uk!, { ...smallStore, id: 'uk' });
const lastDay = dayNumber('2026-11-23')!;

type Order = [goods: number, shopper: number, option: number, daysAgo: number];
function columns(orders: readonly Order[]): OrderColumns {
  const made = emptyColumns(orders.length, ['', 'uk-tracked', 'island']);
  for (const [i, [goods, shopper, option, daysAgo]] of orders.entries()) {
    made.goods[i] = goods;
    made.shopper[i] = shopper;
    made.option[i] = option;
    made.day[i] = lastDay - daysAgo;
  }
  return made;
}
const tried = (orders: readonly Order[], ...nodes: Node[]) =>
  conditionOnOrders(columns(orders), tree('all', ...nodes), {
    qualifiers: {},
    terms,
    country: 'GB',
    zoneOf: (option) => (option === 'island' ? 'uk-islands' : 'uk-all'),
  });
const atLeast = (minor: number): Node => ({
  kind: 'money',
  fact: 'cart.goodsValue',
  basis: 'afterDiscountsAsShown',
  operator: 'atLeast',
  amounts: { uk: { exact: minor } },
});
const firstOrder: Node = { kind: 'yesNo', fact: 'shopper.firstOrder', is: true };

describe('a condition on past orders', () => {
  test('counts those a plain look finds, of the last quarter known alone', () => {
    const order = fc.tuple(
      fc.integer({ min: 1, max: 9000 }),
      fc.integer({ min: 0, max: 2 }),
      fc.integer({ min: 0, max: 2 }),
      fc.integer({ min: 0, max: 200 }),
    ) as fc.Arbitrary<Order>;
    fc.assert(
      fc.property(fc.array(order, { maxLength: 60 }), fc.integer({ min: 1, max: 9000 }), (orders, least) => {
        const all: Order[] = [[1, 0, 0, 0], ...orders];
        const recent = all.filter(([, , , daysAgo]) => daysAgo < quarter);
        expect(tried(all, atLeast(least))).toMatchObject({
          orders: recent.length,
          holding: recent.filter(([goods]) => goods >= least).length,
        });
        expect(tried(all, firstOrder).holding).toBe(recent.filter(([, shopper]) => shopper === shopperNew).length);
        expect(
          tried(all, { kind: 'word', fact: 'destination.zone', operator: 'is', values: ['uk-islands'] }).holding,
        ).toBe(recent.filter(([, , option]) => option === 2).length);
      }),
    );
  });
  test('asks on the day of each order', () => {
    // 2026-11-22 was a Sunday.
    const orders: Order[] = [
      [100, 0, 0, 0],
      [100, 0, 0, 1],
      [100, 0, 0, 8],
      [100, 0, 0, 9],
    ];
    expect(tried(orders, { kind: 'weekday', days: [7], readIn: 'store' }).holding).toBe(2);
  });
  test('what orders do not tell is missing', () => {
    const orders: Order[] = [[100, shopperReturning, 1, 0]];
    expect(
      tried(orders, { kind: 'number', fact: 'shopper.daysSinceLastOrder', operator: 'atLeast', value: 0 }).holding,
    ).toBe(0);
    expect(
      tried(orders, {
        kind: 'group',
        ...tree('none', { kind: 'number', fact: 'shopper.daysSinceLastOrder', operator: 'atLeast', value: 0 }),
      }).holding,
    ).toBe(1);
  });
  test('says what sets those it holds for apart, and nothing where nothing does', () => {
    const orders = Array.from({ length: 100 }, (_, i): Order => [
      1000 + i * 10,
      i % 4 === 0 ? shopperReturning : shopperNew,
      i % 2 === 0 ? 1 : 2,
      0,
    ]);
    expect(tried(orders, atLeast(1800)).mostly).toEqual({
      kind: 'atLeast',
      value: 1500,
      option: '',
      share: 1,
      usual: 0.5,
    });
    expect(tried(orders, { kind: 'yesNo', fact: 'shopper.firstOrder', is: false }).mostly).toMatchObject({
      kind: 'returning',
      share: 1,
      usual: 0.25,
    });
    expect(tried(orders, atLeast(1)).mostly).toBeNull();
    expect(tried(orders, atLeast(9000)).mostly).toBeNull();
    expect(tried([], atLeast(1))).toEqual({ orders: 0, holding: 0, mostly: null });
  });
});
