import fc from 'fast-check';
import { expect, test } from 'vitest';
import { demoPolicy } from '../../demo/policy/demo-policy.ts';
import type { HypotheticalOrder } from '../../src/core/cart/hypothetical-order.ts';
import { compilePolicy, type CompiledPolicy, type CompiledZone } from '../../src/core/evaluation/compile.ts';
import type { Situation } from '../../src/core/evaluation/context.ts';
import { evaluate, evaluateHypothetical } from '../../src/core/evaluation/evaluate.ts';
import type { Evaluation } from '../../src/core/evaluation/evaluation.ts';
import { orderAt, type SweepAxis } from '../../src/core/sweep/axis.ts';
import { segmentOf, sweepZone, type Sweep } from '../../src/core/sweep/sweep.ts';
import { resolveAmount } from '../../src/core/money/local-amount.ts';
import { smallStore } from '../support/small-store.ts';
import type { DeliveryOption, Goal, Offer, Policy } from '../../src/core/policy/types.ts';
import { ordinaryProduct, randomDestination, randomInstant, randomPolicy } from '../support/random-policy.ts';

/** What an order weighs and fills in these tests. */
const order: HypotheticalOrder = { value: 1234, items: 1, weight: 740, volume: 5400, longestSide: 300 };

/** An evaluation of a real cart worth exactly that. */
function evaluateValue(
  compiled: CompiledPolicy,
  zone: CompiledZone,
  { codes = [], ...situation }: Situation,
  value: number,
): Evaluation {
  const product = ordinaryProduct(value, {
    prices: { [zone.market.id]: value },
    weightGrams: 740,
    sizeMm: [300, 200, 90],
  });
  return evaluate(compiled, { ...situation, cart: { lines: [{ product, quantity: 1 }], codes } });
}

/** What one further started unit adds on any line of an option: beyond 500 of them a sweep rises evenly instead. */
const startedUnits = (zone: CompiledZone, { option }: CompiledZone['options'][number]): number =>
  Object.values(option.charge.lines).reduce(
    (sum, { price }) =>
      'fixed' in price && price.perUnit?.started
        ? sum + (resolveAmount(price.perUnit.amount, zone.market.terms.money) ?? 0)
        : sum,
    0,
  );

/**
 * A sweep at a point against an evaluation there: level stretches to the minor unit, rising ones within the rounding
 * of each of their parts.
 */
function agrees(sweep: Sweep, zone: CompiledZone, at: number, evaluation: Evaluation): void {
  const segment = segmentOf(sweep, at);
  expect(segment.from).toBeLessThanOrEqual(at);
  expect(segment.to ?? Infinity).toBeGreaterThan(at);
  for (const [index, option] of zone.options.entries()) {
    const swept = segment.options[index] ?? null;
    const evaluated = evaluation.options.find(({ optionId }) => optionId === option.id);
    expect({ at, offered: swept !== null }).toEqual({ at, offered: evaluated !== undefined });
    if (!swept || !evaluated) continue;
    const along = (first: number, last: number) =>
      segment.last === segment.from
        ? first
        : first + ((last - first) * (at - segment.from)) / (segment.last - segment.from);
    for (const [first, last, found] of [
      [swept.before, swept.lastBefore, evaluated.before],
      [swept.after, swept.lastAfter, evaluated.after],
    ] as const) {
      const rounding =
        first === last
          ? 0
          : option.charge.lines.length + 4 + 3 * (option.cashIncrement ?? 0) + startedUnits(zone, option);
      expect(
        Math.abs(along(first, last) - found),
        `${option.id} at ${at} in ${JSON.stringify(segment)}: ${found}`,
      ).toBeLessThanOrEqual(rounding);
    }
  }
  expect(segment.reached).toEqual(
    evaluation.offers.flatMap(({ offerId, status, goals }) =>
      status === 'inForce' ? goals.filter(({ reached }) => reached).map(({ goalId }) => `${offerId}/${goalId}`) : [],
    ),
  );
}

/** Every breakpoint with one unit to each side, and what the test adds. */
const pointsOf = ({ segments }: Sweep, more: number[], most: number): number[] =>
  [...segments.slice(0, 60).flatMap(({ from }) => [from - 1, from, from + 1]), ...more].filter(
    (at) => at >= 0 && at <= most,
  );

const points = fc.array(fc.integer({ min: 0, max: 9000 }), { minLength: 12, maxLength: 12 });
const situation = fc.record({
  destination: randomDestination.map((destination) => ({ ...destination, country: 'NL' })),
  instant: randomInstant,
  quotes: fc.constant({ post: 700 }),
  codes: fc.constantFrom([], ['SUN']),
});

test('a sweep along goods value equals evaluations of real carts, around every breakpoint and in between', () => {
  fc.assert(
    fc.property(randomPolicy, situation, points, (policy, where, more) => {
      const compiled = compilePolicy(policy);
      const zone = compiled.markets.get('here')!.zones[0]!;
      const sweep = sweepZone(zone, 'goodsValue', where, order);
      for (const at of pointsOf(sweep, more, 2_000_000))
        agrees(sweep, zone, at, evaluateValue(compiled, zone, where, at));
    }),
    { numRuns: 100 },
  );
}, 60_000);

test.each(['items', 'weight'] as const)(
  'a sweep along %s equals evaluations at every point',
  (axis: SweepAxis) => {
    fc.assert(
      fc.property(randomPolicy, situation, points, (policy, where, more) => {
        const zone = compilePolicy(policy).markets.get('here')!.zones[0]!;
        const sweep = sweepZone(zone, axis, where, order);
        for (const at of pointsOf(sweep, more, 90_000))
          agrees(sweep, zone, at, evaluateHypothetical(zone, orderAt(axis, order, at), where));
      }),
      { numRuns: 80 },
    );
  },
  60_000,
);

test('the same for every market of the demo store, and every 137 minor units up to 200.00', () => {
  const compiled = compilePolicy(demoPolicy);
  for (const market of compiled.markets.values()) {
    const [zone] = market.zones;
    const where: Situation = {
      destination: { country: market.market.countries[0]!, postcode: '' },
      instant: Date.parse('2026-11-24T11:00Z'),
    };
    const sweep = sweepZone(zone!, 'goodsValue', where, order);
    const more = Array.from({ length: 146 }, (_, index) => index * 137);
    for (const at of pointsOf(sweep, more, 2_000_000))
      agrees(sweep, zone!, at, evaluateValue(compiled, zone!, where, at));
  }
});

test('an upgrade whose slower option is overtaken by another', () => {
  // Found by the properties above: an option at the order's value less 1, one at 1.06 less 1, each at the lower of both.
  const option = (price: object): DeliveryOption => ({
    order: 0,
    zone: 'all',
    on: true,
    name: 'Option',
    kind: 'parcel',
    label: {},
    estimate: { min: 1, max: 2 },
    charge: { combine: 'first', lines: { line: { order: 0, price } } as never, otherwise: { kind: 'notOffered' } },
  });
  const reward = (of: object): Goal => ({
    order: 1,
    measure: { kind: 'countedValue', basis: 'afterDiscountsAsShown' },
    targets: { nlbe: { exact: 1 } },
    then: 'replace',
    rewards: { it: { order: 0, on: { by: 'all' }, coversOwnDelivery: false, ...of } as never },
  });
  const offer = (priority: number, goal: Goal): Offer => ({
    order: 1,
    name: 'Offer',
    note: '',
    on: true,
    priority,
    combines: false,
    unlock: { by: 'amount' },
    goals: { goal },
  });
  const policy: Policy = {
    ...smallStore,
    options: {
      rising: {
        ...option({
          fixed: { exact: 0 },
          perUnit: { measure: 'goodsValue', amount: { exact: 1 }, per: 1, started: false },
        }),
        zone: 'nlbe-all',
      },
      level: { ...option({ fixed: { exact: 106 } }), zone: 'nlbe-all' },
    },
    offers: {
      less: offer(0, reward({ kind: 'deliveryLessAmount', amount: { nlbe: { exact: 1 } } })),
      upgrade: offer(1, reward({ kind: 'upgrade', priceOf: { by: 'all' } })),
    },
    wording: {},
  };
  const compiled = compilePolicy(policy);
  const zone = compiled.markets.get('nlbe')!.zones[0]!;
  const where: Situation = { destination: { country: 'NL', postcode: '' }, instant: 0 };
  const sweep = sweepZone(zone, 'goodsValue', where, order);
  expect(sweep.segments.map(({ from }) => from)).toContain(106);
  for (let at = 0; at < 200; at++) agrees(sweep, zone, at, evaluateValue(compiled, zone, where, at));
});

test('segments follow one another without gap or overlap', () => {
  fc.assert(
    fc.property(randomPolicy, situation, (policy, where) => {
      const { segments } = sweepZone(compilePolicy(policy).markets.get('here')!.zones[0]!, 'goodsValue', where, order);
      expect(segments[0]!.from).toBe(0);
      expect(segments.at(-1)!.to).toBeNull();
      for (const [index, segment] of segments.slice(1).entries()) expect(segment.from).toBe(segments[index]!.to);
    }),
  );
});
