import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { demoPolicy } from '../../../demo/policy/demo-policy.ts';
import { lowerGoal } from '../../../demo/policy/experiments.ts';
import { compilePolicy } from '../evaluation/compile.ts';
import { evaluateHypothetical } from '../evaluation/evaluate.ts';
import { someoneIn } from '../evaluation/someone-in.ts';
import { experimentsOf } from '../experiments/state.ts';
import { emptyColumns } from '../orders/columns.ts';
import { compareOrder } from '../orders/placed/compare-order.ts';
import { outcomeOf } from '../orders/placed/outcome.ts';
import { emptyShipments } from '../orders/replay/shipments.ts';
import { shopperOfKind } from '../orders/shopper-of-order.ts';
import type { Policy } from '../policy/types.ts';
import type { ReadableOrders } from '../reading/readable-orders.ts';
import { instantOfClock } from '../time/time-zone-clock.ts';
import { chargedOrders } from './charged-orders.ts';

const zone = 'Europe/Amsterdam';

interface Order {
  day: number;
  value: number;
  paid: number;
  option?: number;
  items?: number;
  grams?: number;
  shopper?: number;
  code?: number;
  arm?: number;
}

const options = ['uk-tracked', 'Collection point', ''];
const codes = ['', 'GUST10', 'OTHER'];
const arms = ['', 'lower-goal-uk/lower'];

function ordersOf(list: readonly Order[]): ReadableOrders {
  const sorted = [...list].sort((a, b) => a.day - b.day);
  const columns = emptyColumns(sorted.length, options, arms);
  const shipments = emptyShipments(sorted.length, [['GB', '', '']], codes);
  for (const [i, order] of sorted.entries()) {
    columns.day[i] = order.day;
    columns.goods[i] = order.value;
    columns.delivery[i] = order.paid;
    columns.option[i] = order.option ?? 0;
    columns.items[i] = order.items ?? 1;
    columns.shopper[i] = order.shopper ?? 0;
    columns.arm[i] = order.arm ?? 0;
    shipments.grams[i] = order.grams ?? 500;
    shipments.code[i] = order.code ?? 0;
  }
  return { currency: 'GBP', columns, shipments };
}

/** The demo’s rules with another price of the tracked parcel and nothing that makes it cheaper. */
function rulesOf(price: number): Policy {
  const policy = structuredClone(demoPolicy);
  policy.offers = {};
  delete policy.experiments;
  const [line] = Object.values(policy.options['uk-tracked']!.charge.lines);
  policy.options['uk-tracked']!.charge = { ...policy.options['uk-tracked']!.charge, lines: { line: line! } };
  line!.price = { fixed: { exact: price } };
  delete line!.when;
  delete line!.over;
  return policy;
}

describe('past orders beside the rules of their day', () => {
  const rules = [
    { day: 20_010, compiled: compilePolicy(rulesOf(500)) },
    { day: 20_020, compiled: compilePolicy(rulesOf(700)) },
  ];
  const compare = (orders: readonly Order[]) => chargedOrders(ordersOf(orders), 'uk', rules, zone);

  test('agree with the release of their day, before and after another', () => {
    const found = compare([
      { day: 20_011, value: 3000, paid: 500 },
      { day: 20_019, value: 3000, paid: 700 },
      { day: 20_021, value: 3000, paid: 700 },
      { day: 20_022, value: 4000, paid: 500 },
      { day: 20_023, value: 2000, paid: 500 },
    ]);
    expect(found).toMatchObject({ compared: 5, agree: 2, before: 0, left: 0, others: 0 });
    expect(
      found.groups.map(({ verdict, expected, charged, orders, values, days }) => [
        verdict,
        expected,
        charged,
        orders,
        [values.from, values.to],
        [days.from, days.to],
      ]),
    ).toEqual([
      ['less', 700, 500, 2, [2000, 4000], [20_022, 20_023]],
      ['more', 500, 700, 1, [3000, 3000], [20_019, 20_019]],
    ]);
    expect(found.groups[0]!.examples.map(({ day, value }) => [day, value])).toEqual([
      [20_023, 2000],
      [20_022, 4000],
    ]);
  });

  test('on the day of a release agree with what was before it or with what came', () => {
    const on = (day: number, paid: number) => compare([{ day, value: 3000, paid }]);
    expect(on(20_020, 500)).toMatchObject({ compared: 1, agree: 1 });
    expect(on(20_020, 700)).toMatchObject({ compared: 1, agree: 1 });
    expect(on(20_020, 600)).toMatchObject({ compared: 1, agree: 0 });
    // What was before the first release is not known.
    expect(on(20_010, 500)).toMatchObject({ compared: 1, agree: 1 });
    expect(on(20_010, 600)).toMatchObject({ compared: 0, before: 1 });
    expect(on(20_009, 500)).toMatchObject({ compared: 0, before: 1 });
  });

  test('are left where they do not say enough', () => {
    expect(compare([{ day: 20_011, value: 3000, paid: -1 }])).toMatchObject({ compared: 0, left: 1 });
    expect(compare([{ day: 20_011, value: 3000, paid: 500, option: 2 }])).toMatchObject({ compared: 0, left: 1 });
    expect(chargedOrders(ordersOf([]), 'uk', rules, zone)).toMatchObject({ compared: 0, agree: 0, groups: [] });
  });

  test('are known by an option’s name too', () => {
    const [, { name }] = Object.entries(demoPolicy.options).find(([id]) => id === 'uk-collection')!;
    expect(name).toBe(options[1]);
    expect(compare([{ day: 20_011, value: 3000, paid: 1, option: 1 }]).groups[0]).toMatchObject({ verdict: 'less' });
  });

  test('each stands as evaluated by itself, whatever is kept of others', () => {
    const compiled = compilePolicy({ ...demoPolicy, experiments: { 'lower-goal-uk': lowerGoal } });
    expect(experimentsOf(compiled).arm('lower-goal-uk', 'lower')).toBeDefined();
    const order = fc.record({
      day: fc.integer({ min: 20_750, max: 20_800 }),
      value: fc.constantFrom(1500, 4950, 5000, 6950, 7000, 12_000),
      paid: fc.constantFrom(0, 247, 347, 447, 495, 695, 895),
      option: fc.constantFrom(0, 1),
      items: fc.integer({ min: 1, max: 3 }),
      grams: fc.constantFrom(200, 1900, 2100, 12_000),
      shopper: fc.integer({ min: 0, max: 2 }),
      code: fc.integer({ min: 0, max: 2 }),
      arm: fc.integer({ min: 0, max: 1 }),
    });
    const names = ['uk-tracked', 'uk-collection'];
    fc.assert(
      fc.property(fc.array(order, { minLength: 1, maxLength: 30 }), (list) => {
        let [agree, compared] = [0, 0];
        for (const one of list) {
          const [experiment = '', arm = ''] = arms[one.arm]!.split('/');
          const tried = experimentsOf(compiled).arm(experiment, arm)?.compiled ?? compiled;
          const market = tried.markets.get('uk')!;
          const where = market.zones.find(({ id }) => id === 'uk-all')!;
          const instant = instantOfClock(zone, one.day, 12 * 60, 'earlier');
          const evaluation = evaluateHypothetical(
            where,
            { value: one.value, items: one.items, weight: one.grams, volume: 0, longestSide: 0 },
            {
              ...someoneIn(where, instant, shopperOfKind(one.shopper)),
              ...(one.code === 0 ? {} : { codes: [codes[one.code]!] }),
            },
          );
          const { verdict } = compareOrder(outcomeOf(evaluation), { option: names[one.option]!, delivery: one.paid });
          if (verdict !== 'notCompared') compared++;
          if (verdict === 'agrees') agree++;
        }
        const found = chargedOrders(ordersOf(list), 'uk', [{ day: 0, compiled }], zone);
        expect(found).toMatchObject({ compared, agree });
        expect(found.groups.reduce((sum, { orders }) => sum + orders, found.others)).toBe(compared - agree);
      }),
      { numRuns: 200 },
    );
  });
});
