import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { demoPolicy } from '../../../demo/policy/demo-policy.ts';
import { changed } from '../../../tests/support/evaluate-store.ts';
import { randomPolicyWithZones } from '../../../tests/support/random-policy.ts';
import { compilePolicy } from '../evaluation/compile.ts';
import { distributionOf } from '../orders/distribution.ts';
import type { Policy } from '../policy/types.ts';
import { mayRise } from '../sweep/sweep.ts';
import { differencesAt, effectOf } from './effect.ts';

const now = Date.parse('2026-11-24T11:00Z');
const orders = new Map([
  [
    'nlbe',
    distributionOf({ valueSteps: [2000, ...new Array<number>(999).fill(10)], counts: new Array<number>(1000).fill(1) }),
  ],
]);
const between = (was: Policy, is: Policy) => effectOf({ was: compilePolicy(was), is: compilePolicy(is), now, orders });

describe('the effect of an edit', () => {
  test('of nothing is nothing, and test carts change nothing for shoppers', () => {
    expect(between(demoPolicy, demoPolicy).entries).toEqual([]);
    expect(
      between(
        demoPolicy,
        changed(demoPolicy, (policy) => (policy.testCarts = {})),
      ).entries,
    ).toEqual([]);
  });
  test('of a higher goal is its stretch, what is paid and read there, and how many orders', () => {
    const { entries } = between(
      demoPolicy,
      changed(demoPolicy, ({ offers }) => (offers['free-delivery']!.goals.first!.targets.nlbe = { exact: 7900 })),
    );
    const mainland = entries.filter(({ zoneId }) => zoneId === 'nlbe-all');
    const guests = mainland.filter(({ classes }) => classes.some(({ id }) => id === ''));
    expect(guests.find(({ from }) => from === 7500)).toMatchObject({
      to: 7900,
      orders: { there: 40, all: 1000 },
      differences: expect.arrayContaining([
        { what: 'option', optionId: 'nlbe-door', was: 0, is: 595, wasBefore: 595, isBefore: 595 },
        { what: 'option', optionId: 'nlbe-parcel-shop', was: 0, is: 450, wasBefore: 450, isBefore: 450 },
        { what: 'goal', offerId: 'free-delivery', goalId: 'first', was: true, is: false },
      ]),
    });
    // Below they read of another amount, above nothing is otherwise.
    expect(guests.find(({ from }) => from === 1)?.differences).toEqual([
      {
        what: 'message',
        was: expect.objectContaining({ target: 7500 }),
        is: expect.objectContaining({ target: 7900 }),
      },
    ]);
    expect(guests.every(({ to }) => to !== null && to <= 7900)).toBe(true);
    // Other markets are not touched.
    expect(new Set(entries.map(({ marketId }) => marketId))).toEqual(new Set(['nlbe']));
  });
  test('tells classes of shoppers apart where they differ, and only there', () => {
    const { entries } = between(
      demoPolicy,
      changed(demoPolicy, ({ offers }) => (offers['members-sooner']!.goals.first!.targets.nlbe = { exact: 3900 })),
    );
    const paying = entries.filter(
      ({ zoneId, differences }) => zoneId === 'nlbe-all' && differences.some(({ what }) => what === 'option'),
    );
    expect(paying.map(({ from, to }) => [from, to]).sort()).toEqual([
      [3900, 4000],
      [4000, 4900],
    ]);
    for (const { classes } of paying) {
      expect(classes.map(({ name }) => name)).not.toContain('a guest');
      expect(classes.length).toBeGreaterThan(0);
    }
  });
  test('of an option that goes is that it is not offered any more', () => {
    const { entries } = between(
      demoPolicy,
      changed(demoPolicy, ({ options }) => (options['uk-collection']!.on = false)),
    );
    expect(
      entries.every(({ differences }) =>
        differences.some((one) => one.what === 'option' && one.optionId === 'uk-collection' && one.is === null),
      ),
    ).toBe(true);
    expect(entries[0]).toMatchObject({ marketId: 'uk', from: 0 });
  });
});

test('carts differ where the effect says so, and nowhere else', () => {
  let differing = 0;
  fc.assert(
    fc.property(
      randomPolicyWithZones,
      randomPolicyWithZones,
      fc.array(fc.oneof(fc.integer({ min: 0, max: 4000 }), fc.integer({ min: 0, max: 1_000_000 })), {
        minLength: 12,
        maxLength: 12,
      }),
      (one, other, values) => {
        // Of the same places, with other options and offers in half of them.
        const mixed: Policy = {
          ...one,
          offers: { ...one.offers, ...other.offers },
          wording: { ...one.wording, ...other.wording },
        };
        const [was, is] = [compilePolicy(one), compilePolicy(mixed)];
        const { entries, notExamined } = effectOf({ was, is, now });
        fc.pre(notExamined.length === 0);
        for (const zone of [...is.markets.values()].flatMap(({ zones }) => zones)) {
          const before = was.markets.get(zone.market.id)!.zones.find(({ id }) => id === zone.id)!;
          const here = entries.filter(({ zoneId }) => zoneId === zone.id);
          const [some] = here;
          if (!some) continue;
          const exact = !mayRise(zone, 'goodsValue') && !mayRise(before, 'goodsValue');
          for (const { id, shopper, codes, channel } of here.flatMap(({ classes }) => classes)) {
            const situation = {
              destination: some.destination,
              instant: now,
              shopper,
              ...(codes.length > 0 ? { codes } : {}),
              ...(channel === undefined ? {} : { channel }),
            };
            const mine = here.filter(({ classes }) => classes.some((cls) => cls.id === id));
            for (const value of values) {
              const differs = differencesAt(before, zone, value, situation).length > 0;
              const said = mine.some(({ from, to }) => value >= from && (to === null || value < to));
              if (differs) differing++;
              if (exact) expect([zone.id, id, value, said]).toEqual([zone.id, id, value, differs]);
              else if (differs) expect([zone.id, id, value, said]).toEqual([zone.id, id, value, true]);
            }
          }
        }
      },
    ),
    { numRuns: 40 },
  );
  expect(differing).toBeGreaterThan(100);
});
