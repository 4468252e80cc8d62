import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { demoPolicy } from '../../../demo/policy/demo-policy.ts';
import { onlyFreeDelivery } from '../../../tests/support/only-free-delivery.ts';
import { unknownToExports } from '../conditions/unknown-to-exports.ts';
import { compilePolicy } from '../evaluation/compile.ts';
import type { Policy } from '../policy/types.ts';
import { emptyColumns, shopperNew, type OrderColumns } from './columns.ts';
import { replayZonesOf, replayOrders } from './replay.ts';

const now = Date.parse('2026-11-25T12:00Z');
const zone = (policy: Policy) =>
  compilePolicy(policy)
    .markets.get('uk')!
    .zones.find(({ id }) => id === 'uk-all')!;
const zones = (draft: Policy, release: Policy | null) => () => ({
  draft: zone(draft),
  release: release && zone(release),
});
const options = ['', 'uk-tracked', 'uk-collection'];

function columns(orders: readonly [goods: number, option: number, shopper: number][]): OrderColumns {
  const made = emptyColumns(orders.length, [...options]);
  for (const [i, [goods, option, shopper]] of orders.entries()) {
    made.goods[i] = goods;
    made.option[i] = option;
    made.shopper[i] = shopper;
  }
  return made;
}

/** What the two options cost, said plainly: £8.95 and from £50 £6.95 to the door, £4.95 at a collection point, free from the goal. */
const plainPrice = (goods: number, option: number, goal: number) => {
  if (goods >= goal) return 0;
  if (option === 1) {
    if (goods < 5000) return 895;
    return 695;
  }
  return 495;
};

describe('replaying orders', () => {
  test('counts and sums are those of a plain loop, whatever the orders and goals', () => {
    const order = fc.tuple(fc.integer({ min: 1, max: 15_000 }), fc.integer({ min: 0, max: 2 }), fc.constant(0));
    fc.assert(
      fc.property(
        fc.array(order as fc.Arbitrary<[number, number, number]>, { maxLength: 60 }),
        fc.integer({ min: 1000, max: 12_000 }),
        fc.integer({ min: 1000, max: 12_000 }),
        (orders, before, after) => {
          const replay = replayOrders(columns(orders), zones(onlyFreeDelivery(after), onlyFreeDelivery(before)), now);
          const changes = orders.map(
            ([goods, option]) => plainPrice(goods, option, after) - plainPrice(goods, option, before),
          );
          expect(replay).toMatchObject({
            orders: orders.length,
            less: changes.filter((change) => change < 0).length,
            more: changes.filter((change) => change > 0).length,
            without: 0,
            change: changes.reduce((sum, change) => sum + change, 0),
          });
          expect(replay.less + replay.more + replay.same).toBe(orders.length);
          // Where the same option is taken under both, what shoppers save is what offers give away.
          const known = replayOrders(
            columns(orders.filter(([, option]) => option > 0)),
            zones(onlyFreeDelivery(after), onlyFreeDelivery(before)),
            now,
          );
          expect(known.givenNow - known.givenBefore + known.change).toBe(0);
        },
      ),
      { numRuns: 60 },
    );
  });
  test('without a release everything is new; a sample looks at every n-th', () => {
    const orders = Array.from({ length: 100 }, (_, i): [number, number, number] => [5000 + i * 50, 1, 0]);
    const replay = replayOrders(columns(orders), zones(onlyFreeDelivery(8000), null), now);
    expect(replay).toMatchObject({
      orders: 100,
      less: 40,
      more: 0,
      change: -40 * 695,
      givenBefore: 0,
      givenNow: 40 * 695,
    });
    expect(replayOrders(columns(orders), zones(onlyFreeDelivery(8000), null), now, 10)).toMatchObject({
      orders: 10,
      less: 4,
    });
  });
  test('the most frequent change is the first example', () => {
    const orders: [number, number, number][] = [
      [6500, 1, 0],
      [6400, 1, 0],
      [6400, 1, 0],
      [9000, 1, 0],
    ];
    const { examples } = replayOrders(columns(orders), zones(onlyFreeDelivery(6000), onlyFreeDelivery(7000)), now);
    expect(examples).toEqual([
      { zoneId: 'uk-all', value: 6400, shopper: 0, was: 695, now: 0, orders: 2 },
      { zoneId: 'uk-all', value: 6500, shopper: 0, was: 695, now: 0, orders: 1 },
    ]);
  });
  test('new shoppers have what is for first orders', () => {
    const orders: [number, number, number][] = [
      [3000, 1, shopperNew],
      [3000, 1, 2],
      [3000, 1, 0],
    ];
    const replay = replayOrders(columns(orders), zones(demoPolicy, onlyFreeDelivery(100_000)), now);
    expect([replay.less, replay.same]).toEqual([1, 2]);
  });
  test('an order is replayed in the zone of the option that was chosen, and where that is not known in the first', () => {
    const made = columns([
      [3000, 1, 0],
      [3000, 2, 0],
      [3000, 0, 0],
    ]);
    const zonesOf = replayZonesOf(compilePolicy(demoPolicy).markets.get('deat'), undefined)!;
    const replay = replayOrders({ ...made, options: ['', 'deat-door', 'deat-austria-door'] }, zonesOf, now);
    const first =
      demoPolicy.zones['deat-all']!.order < demoPolicy.zones['deat-austria']!.order ? 'deat-all' : 'deat-austria';
    expect(['', 'deat-door', 'deat-austria-door', 'gone'].map((option) => zonesOf(option).draft.id)).toEqual([
      first,
      'deat-all',
      'deat-austria',
      first,
    ]);
    expect(replay).toMatchObject({ orders: 3, without: 0 });
    expect(replayZonesOf(undefined, undefined)).toBeNull();
  });
  test('progress runs to its end', () => {
    const shares: number[] = [];
    replayOrders(
      columns(Array.from({ length: 45_000 }, (): [number, number, number] => [5000, 1, 0])),
      zones(demoPolicy, null),
      now,
      1,
      (share) => shares.push(share),
    );
    expect(shares).toEqual([...shares].sort((a, b) => a - b));
    expect([shares[0], shares.at(-1), shares.length]).toEqual([0, 1, 4]);
  });
});

test('facts that an export cannot know are named, through qualifiers too', () => {
  const facts = (offer: string) =>
    unknownToExports(demoPolicy.offers[offer]!.when ?? { conditions: {} }, demoPolicy).map(({ id }) => id);
  expect(facts('members-sooner')).toEqual(['shopper.signedIn', 'shopper.group']);
  expect(facts('first-order')).toEqual([]);
  expect(facts('free-delivery')).toEqual([]);
});
