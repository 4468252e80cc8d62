import fc from 'fast-check';
import { expect, test } from 'vitest';
import { changed } from '../../../tests/support/evaluate-store.ts';
import { randomPolicyWithZones } from '../../../tests/support/random-policy.ts';
import { smallStore } from '../../../tests/support/small-store.ts';
import { orderOfValue } from '../cart/hypothetical-order.ts';
import { ordinaryArticle } from '../cart/ordinary-article.ts';
import { compilePolicy } from './compile.ts';
import { evaluate } from './evaluate.ts';
import { evaluateOrder } from './evaluate-order.ts';
import type { Evaluation } from './evaluation.ts';
import { shopperClasses, situationOf } from './shopper-classes.ts';
import { somewhereIn } from './somewhere-in.ts';

const now = Date.parse('2026-11-24T11:00Z');

/** What a shopper sees of it. */
const seen = ({ options, unavailable, noOptions, speakers, gifts, totals }: Evaluation) => ({
  options,
  unavailable,
  noOptions,
  speakers,
  gifts,
  totals,
});

test('an order of one article is offered and told what its cart is', () => {
  let told = 0;
  fc.assert(
    fc.property(randomPolicyWithZones, fc.integer({ min: 0, max: 4000 }), (policy, value) => {
      const compiled = compilePolicy(policy);
      const zones = [...compiled.markets.values()].flatMap((market) => market.zones);
      fc.pre(zones.some((zone) => somewhereIn(compiled, zone)));
      for (const zone of zones) {
        const destination = somewhereIn(compiled, zone);
        for (const who of (destination && shopperClasses([zone], now)?.slice(0, 6)) || []) {
          const situation = situationOf(who, destination!, now);
          const { codes, channel, ...rest } = situation;
          const product = { ...ordinaryArticle, prices: { [zone.market.id]: value } };
          const cart = { lines: [{ product, quantity: 1 }], codes: codes ?? [], ...(channel ? { channel } : {}) };
          const whole = evaluate(compiled, { ...rest, cart });
          expect(seen(evaluateOrder(zone, orderOfValue(value), situation))).toEqual(seen(whole));
          told += whole.speakers.length;
        }
      }
    }),
    { numRuns: 100 },
  );
  expect(told).toBeGreaterThan(10);
});

test('of a goal in pieces an article is told what comes of one more like it', () => {
  // Two pieces bring free delivery, and goods of 10.00 or more are delivered by nobody.
  const policy = changed(smallStore, ({ options, offers }) => {
    for (const { charge } of Object.values(options))
      charge.lines = {
        light: {
          order: 1,
          over: { measure: 'goodsValue', from: { exact: 0 }, to: { exact: 1000 } },
          price: { fixed: { exact: 450 } },
        },
      };
    Object.assign(offers['free-delivery']!.goals.first!, { measure: { kind: 'items' }, targets: { uk: { count: 2 } } });
  });
  const zone = compilePolicy(policy).markets.get('uk')!.zones[0]!;
  const told = (value: number) =>
    evaluateOrder(zone, orderOfValue(value), {
      destination: { country: 'GB', postcode: 'ZZ1 1ZZ' },
      instant: now,
    }).speakers.map(({ state }) => state);
  expect(told(400)).toEqual(['progress']);
  expect(told(600)).toEqual([]);
});

test('what an order says of size, codes and channel counts', () => {
  const zone = compilePolicy(smallStore).markets.get('uk')!.zones[0]!;
  const situation = { destination: { country: 'GB', postcode: 'ZZ1 1ZZ' }, instant: now };
  const large = evaluateOrder(zone, { ...orderOfValue(400), volume: 9000, longestSide: 300 }, situation);
  expect(large.measures!.charged).toMatchObject({ volume: 9000, longestSide: 300 });
  const said = evaluateOrder(zone, { ...orderOfValue(400), codes: ['SUN'], channel: 'app' }, situation);
  expect([[...said.cart!.codes], said.cart!.channel]).toEqual([['SUN'], 'app']);
});
