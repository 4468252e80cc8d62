import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { demoPolicy } from '../../../../demo/policy/demo-policy.ts';
import { onlyFreeDelivery } from '../../../../tests/support/only-free-delivery.ts';
import { ofReplayedOrders, unknownToExports } from '../../conditions/unknown-to-exports.ts';
import { compilePolicy } from '../../evaluation/compile.ts';
import type { Policy } from '../../policy/types.ts';
import { emptyColumns, shopperNew } from '../columns.ts';
import { replayPlacesOf, type ReplayPlaces } from './replay-places.ts';
import { replayOrders, type ReplayedOrders } from './replay.ts';
import {
  codeIndex,
  emptyShipments,
  packShipments,
  unpackShipments,
  weightUnknown,
  type OrderShipments,
} from './shipments.ts';

const now = Date.parse('2026-11-25T12:00Z');
const zone = (policy: Policy) =>
  compilePolicy(policy)
    .markets.get('uk')!
    .zones.find(({ id }) => id === 'uk-all')!;
const zones = (draft: Policy, release: Policy | null): ReplayPlaces => {
  const both = { draft: zone(draft), release: release ? zone(release) : undefined };
  return { ofOption: () => both, ofDestination: () => both };
};
const options = ['', 'uk-tracked', 'uk-collection'];

function columns(orders: readonly [goods: number, option: number, shopper: number][]): ReplayedOrders {
  const made = emptyColumns(orders.length, [...options]);
  for (const [i, [goods, option, shopper]] of orders.entries()) {
    made.goods[i] = goods;
    made.option[i] = option;
    made.shopper[i] = shopper;
  }
  return { columns: made, shipments: null };
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
      { zoneId: 'uk-all', destination: null, weight: null, value: 6400, shopper: 0, was: 695, now: 0, orders: 2 },
      { zoneId: 'uk-all', destination: null, weight: null, value: 6500, shopper: 0, was: 695, now: 0, orders: 1 },
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
    const { columns: made } = columns([
      [3000, 1, 0],
      [3000, 2, 0],
      [3000, 0, 0],
    ]);
    const compiled = compilePolicy(demoPolicy);
    const places = replayPlacesOf('deat', compiled, null)!;
    const replay = replayOrders(
      { columns: { ...made, options: ['', 'deat-door', 'deat-austria-door'] }, shipments: null },
      places,
      now,
    );
    const first =
      demoPolicy.zones['deat-all']!.order < demoPolicy.zones['deat-austria']!.order ? 'deat-all' : 'deat-austria';
    expect(['', 'deat-door', 'deat-austria-door', 'gone'].map((option) => places.ofOption(option).draft!.id)).toEqual([
      first,
      'deat-all',
      'deat-austria',
      first,
    ]);
    expect(replay).toMatchObject({ orders: 3, without: 0 });
    expect(replayPlacesOf('nowhere', compiled, null)).toBeNull();
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
    expect([shares[0], shares.at(-1)]).toEqual([0, 1]);
    expect(shares.length).toBeGreaterThan(3);
  });
});

describe('orders that say where they went and what they weighed', () => {
  const uk = replayPlacesOf('uk', compilePolicy(demoPolicy), compilePolicy(onlyFreeDelivery(5000)))!;
  const sent = (shipments: [postcode: string, grams: number][], goods = 3000): ReplayedOrders => ({
    columns: columns(shipments.map(() => [goods, 1, 0])).columns,
    shipments: {
      ...emptyShipments(shipments.length),
      places: shipments.map(([postcode]) => ['GB', '', postcode] as const),
      place: Uint32Array.from(shipments.keys()),
      grams: Uint32Array.from(shipments, ([, grams]) => grams),
    },
  });

  test('go to the zone of their postcode, and without one to that of their option', () => {
    const seen: string[] = [];
    const noting: ReplayPlaces = {
      ofOption: (option) => {
        const found = uk.ofOption(option);
        seen.push(`option ${option}: ${found.draft!.id}`);
        return found;
      },
      ofDestination: (where) => {
        const found = uk.ofDestination(where);
        seen.push(`${where.postcode}: ${found.draft?.id ?? 'nowhere'}`);
        return found;
      },
    };
    const replay = replayOrders(
      sent([
        ['ZZ9 2AA', 500],
        ['QQ1 1AA', weightUnknown],
        ['', 500],
        ['zz9-2aa', 600],
      ]),
      noting,
      now,
    );
    expect(seen.filter((one) => !one.startsWith('option'))).toEqual([
      'ZZ92AA: uk-highlands',
      'QQ11AA: uk-all',
      'ZZ92AA: uk-highlands',
    ]);
    expect(replay).toMatchObject({ orders: 4, placed: 3, weighed: 3 });
  });

  test('are without an option where a draft no longer delivers', () => {
    const changed = structuredClone(demoPolicy);
    changed.zones['uk-all']!.area.exclude = { far: { kind: 'postcodes', country: 'GB', patterns: { 'QQ*': true } } };
    const places = replayPlacesOf('uk', compilePolicy(changed), compilePolicy(demoPolicy))!;
    const replay = replayOrders(
      sent([
        ['QQ1 1AA', 500],
        ['AA1 1AA', 500],
      ]),
      places,
      now,
    );
    expect(replay).toMatchObject({ orders: 2, without: 1, same: 1 });
  });

  test('packed and unpacked they are the same, months one behind the other', () => {
    const month = fc
      .array(
        fc.tuple(
          fc.constantFrom('1799 ZA', '', 'é'),
          fc.integer({ min: 0, max: 0xffffffff }),
          fc.constantFrom('', ' ', 'wind', 'WIND ', 'GUST10'),
        ),
        { maxLength: 20 },
      )
      .map((list): OrderShipments => {
        const codes = [''];
        const known = new Map<string, number>();
        return {
          places: list.map(([postcode]) => ['NL', '', postcode] as const),
          place: Uint32Array.from(list.keys()),
          grams: Uint32Array.from(list, ([, grams]) => grams),
          code: Uint32Array.from(list, ([, , code]) => codeIndex(codes, known, code)),
          codes,
        };
      });
    const told = ({ places, place, grams, codes, code }: OrderShipments) =>
      [...place].map((index, i) => [...places[index]!, grams[i], codes[code[i]!]]);
    fc.assert(
      fc.property(fc.array(month, { maxLength: 4 }), (months) => {
        const all = unpackShipments(months.map(packShipments));
        expect(told(all)).toEqual(months.flatMap(told));
        expect(new Set(all.places.map(String)).size).toBe(all.places.length);
        expect(['', 'WIND', 'GUST10']).toEqual(expect.arrayContaining(all.codes));
        expect(new Set(all.codes).size).toBe(all.codes.length);
      }),
      { numRuns: 100 },
    );
    const packed = packShipments(emptyShipments(2));
    expect(() => unpackShipments([packed.subarray(0, 12)])).toThrow(RangeError);
    expect(() => unpackShipments([packed.subarray(0, 4)])).toThrow(RangeError);
  });
});

test('facts that an export cannot know are named, through qualifiers too', () => {
  const facts = (offer: string) =>
    unknownToExports(demoPolicy.offers[offer]!.when ?? { conditions: {} }, demoPolicy, ofReplayedOrders).map(
      ({ id }) => id,
    );
  expect(facts('members-sooner')).toEqual(['shopper.signedIn', 'shopper.group']);
  expect(facts('first-order')).toEqual([]);
  expect(facts('free-delivery')).toEqual([]);
});
