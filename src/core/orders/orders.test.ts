import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { studyBaskets } from './baskets.ts';
import { candidateCurve, outcomeOf } from './candidates.ts';
import { emptyColumns, packColumns, unpackMonths, type OrderColumns } from './columns.ts';
import { liftsOver } from './lifts.ts';
import { likelihoodAt, responseOf, usualAssumption, type Response } from './response.ts';
import { boundsOf, studyOrders } from './study.ts';
import { firstTrial, secondTrial } from './suggest-goals.ts';
import { tallyOf, valueCountsOf, type OrderFilter } from './tally.ts';

interface Plain {
  goods: number;
  delivery: number;
  day: number;
  option: number;
  shopper: number;
  items?: number;
  arm?: number;
}

const everything: OrderFilter = { fromDay: 0, toDay: 65_535, shopper: 'all', option: null, delivery: 'all' };
const options = ['door', 'shop', ''];
const arms = ['', 'winter/a', 'winter/b'];

function columnsFrom(orders: readonly Plain[], named = options): OrderColumns {
  const columns = emptyColumns(orders.length, [...named]);
  for (const [i, order] of orders.entries())
    for (const field of ['goods', 'delivery', 'day', 'option', 'shopper', 'items', 'arm'] as const)
      columns[field][i] = order[field] ?? 0;
  return columns;
}

const plainOrder = fc.record({
  goods: fc.oneof(fc.integer({ min: 0, max: 12_000 }), fc.integer({ min: 4_000_000_000, max: 6_000_000_000 })),
  delivery: fc.constantFrom(-1, 0, 450, 595, 4_294_967_295),
  day: fc.integer({ min: 20_000, max: 20_100 }),
  option: fc.integer({ min: 0, max: 2 }),
  shopper: fc.integer({ min: 0, max: 2 }),
  items: fc.constantFrom(0, 1, 65_535),
  arm: fc.integer({ min: 0, max: 2 }),
});
const plainOrders = fc.array(plainOrder, { maxLength: 60 });

describe('columns', () => {
  test('months packed and unpacked are the same orders', () => {
    fc.assert(
      fc.property(fc.array(plainOrders, { maxLength: 4 }), (months) => {
        const packed = months.map((orders) => packColumns(columnsFrom(orders)));
        const back = unpackMonths(packed.map((bytes) => ({ bytes, options, arms })));
        const all = months.flat();
        expect(back.count).toBe(all.length);
        for (const [i, order] of all.entries())
          expect({
            goods: back.goods[i],
            delivery: back.delivery[i],
            day: back.day[i],
            option: back.options[back.option[i]!],
            shopper: back.shopper[i],
            items: back.items[i],
            arm: back.arms[back.arm[i]!],
          }).toEqual({ ...order, option: options[order.option], arm: arms[order.arm] });
      }),
    );
  });
  test('options keep their names when months list them differently', () => {
    const order: Plain = { goods: 100, delivery: 0, day: 1, option: 0, shopper: 0, items: 1 };
    const back = unpackMonths([
      { bytes: packColumns(columnsFrom([order], ['a'])), options: ['a'], arms: [''] },
      {
        bytes: packColumns(columnsFrom([order, { ...order, option: 1 }], ['b', 'a'])),
        options: ['b', 'a'],
        arms: [''],
      },
    ]);
    expect([...back.option].map((index) => back.options[index])).toEqual(['a', 'b', 'a']);
  });
  test('arms keep their names when months list them differently', () => {
    const order: Plain = { goods: 100, delivery: 0, day: 1, option: 0, shopper: 0, items: 1, arm: 1 };
    const bytes = packColumns(columnsFrom([order, { ...order, arm: 2 }, { ...order, arm: 0 }]));
    const back = unpackMonths([
      { bytes, options, arms: ['', 'winter/a', 'winter/b'] },
      { bytes: packColumns(columnsFrom([order])), options, arms: ['', 'spring/a'] },
      { bytes, options, arms: ['', 'winter/b', 'winter/a'] },
    ]);
    expect([...back.arm].map((index) => back.arms[index])).toEqual([
      'winter/a',
      'winter/b',
      '',
      'spring/a',
      'winter/b',
      'winter/a',
      '',
    ]);
  });
  test('bytes that are part of a larger piece of memory, as a database hands them over', () => {
    const order: Plain = { goods: 4321, delivery: 595, day: 20_001, option: 0, shopper: 2, items: 3 };
    const bytes = packColumns(columnsFrom([order, { ...order, goods: 1 }]));
    const inside = Buffer.concat([Buffer.alloc(13, 7), bytes, Buffer.alloc(5, 9)]).subarray(13, 13 + bytes.length);
    expect([...unpackMonths([{ bytes: inside, options, arms: [''] }]).goods]).toEqual([4321, 1]);
  });
  test('bytes that are cut off are refused', () => {
    expect(() =>
      unpackMonths([
        {
          bytes: packColumns(
            columnsFrom([{ goods: 1, delivery: 0, day: 1, option: 0, shopper: 0, items: 1 }]),
          ).subarray(0, 12),
          options,
          arms: [''],
        },
      ]),
    ).toThrow(/cut off/);
  });
});

describe('tally', () => {
  const filters = fc.record({
    fromDay: fc.constantFrom(0, 20_030),
    toDay: fc.constantFrom(20_060, 65_535),
    shopper: fc.constantFrom('all' as const, 'new' as const, 'returning' as const),
    option: fc.constantFrom(null, 'door', 'unknown'),
    delivery: fc.constantFrom('all' as const, 'paid' as const, 'free' as const),
  });
  test('counts and sums are those of a plain loop, at every value', () => {
    fc.assert(
      fc.property(plainOrders, filters, (orders, filter) => {
        const wanted = orders.filter(
          (o) =>
            o.day >= filter.fromDay &&
            o.day < filter.toDay &&
            (filter.shopper === 'all' || o.shopper === (filter.shopper === 'new' ? 1 : 2)) &&
            (filter.option === null || options[o.option] === filter.option) &&
            (filter.delivery === 'all' || (filter.delivery === 'paid' ? o.delivery > 0 : o.delivery === 0)),
        );
        const tally = tallyOf(columnsFrom(orders), filter);
        expect(tally.orders).toBe(wanted.length);
        expect(tally.unknown).toBe(wanted.filter((o) => o.delivery < 0).length);
        expect([...tally.values]).toEqual([...new Set(wanted.map((o) => o.goods))].sort((a, b) => a - b));
        for (const [i, value] of tally.values.entries()) {
          const upTo = wanted.filter((o) => o.goods <= value);
          const paying = upTo.filter((o) => o.delivery > 0);
          expect([tally.cumulative[i], tally.paying[i], tally.free[i], tally.paid[i]]).toEqual([
            upTo.length,
            paying.length,
            upTo.filter((o) => o.delivery === 0).length,
            paying.reduce((sum, o) => sum + o.delivery, 0),
          ]);
        }
      }),
    );
  });
  test('travels as steps and counts', () => {
    const tally = tallyOf(
      columnsFrom([100, 100, 250].map((goods) => ({ goods, delivery: 0, day: 1, option: 0, shopper: 0 }))),
      everything,
    );
    expect(valueCountsOf(tally, 'EUR')).toEqual({ currency: 'EUR', orders: 3, valueSteps: [100, 150], counts: [2, 1] });
    expect(valueCountsOf(tallyOf(columnsFrom([]), everything), 'EUR')).toEqual({
      currency: null,
      orders: 0,
      valueSteps: [],
      counts: [],
    });
  });
});

describe('goal candidates', () => {
  const response: Response = { margin: 0.4, reach: 0.25, near: 0.5, far: 0.1, spread: 0.5, secondReward: 300 };
  const order = (goods: number, delivery: number): Plain => ({ goods, delivery, day: 20_000, option: 0, shopper: 0 });

  test('by hand: who is above costs, who is within reach and pays may add', () => {
    // Two above pay 500; of two within reach of 6000 one pays; one is out of reach.
    const tally = tallyOf(
      columnsFrom([order(6000, 500), order(7000, 500), order(5400, 500), order(5000, 0), order(4400, 500)]),
      everything,
    );
    const {
      goals: [goal],
      net,
      qualifying,
    } = outcomeOf(tally, 2, response, [6000]);
    const likelihood = 0.5 + (0.1 - 0.5) * (600 / 1500);
    expect(likelihoodAt(response, 6000, 5400)).toBeCloseTo(likelihood, 12);
    expect(goal).toMatchObject({ above: 1, abovePaying: 1, within: 0.5, lacking: 600 });
    expect(goal!.adding).toBeCloseTo(likelihood / 2, 12);
    expect(goal!.gain).toBeCloseTo((likelihood * 0.4 * 600) / 2, 9);
    expect(goal!.cost).toBeCloseTo((1000 + likelihood * 500) / 2, 9);
    expect(net).toBeCloseTo(goal!.gain - goal!.cost, 9);
    expect(qualifying).toBeCloseTo((2 + likelihood) / 5, 12);
  });
  test('a goal where delivery is free already is news to nobody: it costs and brings nothing', () => {
    const tally = tallyOf(columnsFrom([order(5500, 500), order(6000, 0), order(6300, 0)]), everything);
    expect(outcomeOf(tally, 1, response, [6000])).toMatchObject({ cost: 0, gain: 0, net: 0 });
  });
  test('exactly at the goal is in, one cent below is not', () => {
    const tally = tallyOf(columnsFrom([order(6000, 500), order(5999, 500)]), everything);
    expect(outcomeOf(tally, 1, response, [6000]).goals[0]).toMatchObject({ above: 1, within: 1 });
  });
  test('two goals: the second rewards all above it, and those between the two may add for it', () => {
    const tally = tallyOf(
      columnsFrom([order(5500, 500), order(6500, 500), order(9000, 0), order(7600, 0)]),
      everything,
    );
    const { goals } = outcomeOf(tally, 1, response, [6000, 8000]);
    expect(goals[1]).toMatchObject({ above: 1, within: 2 });
    expect(goals[1]!.cost).toBeCloseTo(300 * (1 + goals[1]!.adding), 9);
    expect(goals[0]!.within).toBe(1);
  });
  test('the net lies within its band; costs never rise and reached shares never grow with the goal', () => {
    fc.assert(
      fc.property(
        fc.array(
          fc.record({ goods: fc.integer({ min: 100, max: 12_000 }), delivery: fc.constantFrom(-1, 0, 450, 595) }),
          { minLength: 1, maxLength: 80 },
        ),
        (orders) => {
          const tally = tallyOf(columnsFrom(orders.map(({ goods, delivery }) => order(goods, delivery))), everything);
          const curve = candidateCurve(tally, 3, response, 250, 12_500);
          expect(curve).toHaveLength(50);
          for (const [i, outcome] of curve.entries()) {
            expect(outcome.low).toBeLessThanOrEqual(outcome.net + 1e-9);
            expect(outcome.high).toBeGreaterThanOrEqual(outcome.net - 1e-9);
            expect(outcome.net).toBeCloseTo(outcome.gain - outcome.cost, 6);
            if (i > 0) expect(outcome.goals[0]!.above).toBeLessThanOrEqual(curve[i - 1]!.goals[0]!.above);
          }
        },
      ),
    );
  });
  test('assumptions are percentages in the policy and shares here', () => {
    expect(responseOf(usualAssumption)).toEqual({
      margin: 0.45,
      reach: 0.25,
      near: 0.4,
      far: 0.1,
      spread: 0.5,
      secondReward: 300,
    });
    expect([4499, 4500, 5999, 6000].map((value) => likelihoodAt(response, 6000, value) > 0)).toEqual([
      false,
      true,
      true,
      false,
    ]);
  });
});

describe('amounts to begin with', () => {
  const curve = (nets: number[]) => nets.map((net, i) => ({ net, goals: [{ goal: (i + 1) * 1000 }] }) as never);
  test('the candidate that brings most, or a quarter above the first peak', () => {
    expect(firstTrial(curve([-5, 0, 7, 3]), [{ at: 3800 }])).toBe(3000);
    expect(firstTrial(curve([-5, 0, -7]), [{ at: 3800 }, { at: 9000 }])).toBe(4800);
    expect(firstTrial([], [])).toBeGreaterThan(0);
  });
  test('a second one above the next peak, always above the first', () => {
    expect(secondTrial(5000, [{ at: 3800 }, { at: 9200 }])).toBe(10_500);
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 1_000_000 }),
        fc.array(fc.record({ at: fc.integer({ min: 1, max: 1_000_000 }) })),
        (first, peaks) => void expect(secondTrial(first, peaks)).toBeGreaterThan(first),
      ),
    );
  });
});

describe('groups', () => {
  test('a product lifts the orders that lack at most its price', () => {
    const tally = tallyOf(
      columnsFrom(
        [5000, 5500, 5700, 5999, 6000].map((goods) => ({ goods, delivery: 0, day: 1, option: 0, shopper: 0 })),
      ),
      everything,
    );
    expect(
      liftsOver(
        tally,
        { from: 5000, to: 6500 },
        6000,
        [
          ['tape', 300],
          ['plan', 500],
          ['kite', 4000],
          ['card', 250],
        ],
        1000,
      ),
    ).toEqual({
      any: 3,
      products: [
        { productId: 'card', price: 250, orders: 1 },
        { productId: 'tape', price: 300, orders: 2 },
        { productId: 'plan', price: 500, orders: 3 },
      ],
    });
  });
  test('pairs that stand together more often than by chance', () => {
    const together = Array.from(
      { length: 30 },
      () =>
        [
          ['kite', 1],
          ['line', 2],
        ] as const,
    );
    const apart = Array.from({ length: 70 }, (_, i) => [[i % 2 === 0 ? 'book' : 'tape', 1]] as const);
    const study = studyBaskets([...together, ...apart, []]);
    expect(study.baskets).toBe(100);
    expect(study.products.slice(0, 2)).toEqual([
      { sku: 'book', orders: 35 },
      { sku: 'tape', orders: 35 },
    ]);
    expect(study.pairs).toHaveLength(1);
    expect(study.pairs[0]).toMatchObject({ skus: ['kite', 'line'], orders: 30 });
    expect(study.pairs[0]!.times).toBeCloseTo(100 / 30, 9);
  });
});

describe('the study', () => {
  test('without orders there is nothing to say', () => {
    expect(studyOrders(columnsFrom([]), everything)).toMatchObject({ summary: null, density: null, peaks: [] });
    expect(boundsOf(columnsFrom([]))).toMatchObject({ orders: 0, firstDay: 0, lastDay: 0 });
  });
  test('one order, and many of one value', () => {
    const one: Plain = { goods: 5000, delivery: 500, day: 20_000, option: 0, shopper: 1 };
    expect(studyOrders(columnsFrom([one]), everything).summary).toMatchObject({
      orders: 1,
      average: 5000,
      median: 5000,
      deviation: 0,
    });
    const many = studyOrders(columnsFrom(Array.from({ length: 500 }, () => one)), everything);
    expect(many.peaks).toHaveLength(1);
    expect(many.peaks[0]!.share).toBe(1);
  });
  test('new and returning shoppers are compared as their own orders are summarised', () => {
    fc.assert(
      fc.property(fc.array(plainOrder, { minLength: 4, maxLength: 60 }), (orders) => {
        const columns = columnsFrom(orders);
        const { shoppers } = studyOrders(columns, everything);
        const alone = (shopper: 'new' | 'returning') => studyOrders(columns, { ...everything, shopper }).summary;
        if (!shoppers) return void expect(Math.min(alone('new')?.orders ?? 0, alone('returning')?.orders ?? 0)).toBe(0);
        for (const [sample, summary] of [
          [shoppers.fresh, alone('new')!],
          [shoppers.returning, alone('returning')!],
        ] as const) {
          expect(sample.count).toBe(summary.orders);
          expect(Math.abs(sample.average - summary.average)).toBeLessThanOrEqual(1e-9 * (1 + summary.average));
          expect(Math.abs(sample.deviation - summary.deviation)).toBeLessThanOrEqual(1e-5 * (1 + summary.deviation));
        }
      }),
    );
  });
  test('bounds list days and options by how often', () => {
    expect(
      boundsOf(
        columnsFrom([
          { goods: 1, delivery: 0, day: 20_005, option: 1, shopper: 0 },
          { goods: 1, delivery: 0, day: 20_001, option: 1, shopper: 2 },
          { goods: 1, delivery: 0, day: 20_003, option: 0, shopper: 0 },
        ]),
      ),
    ).toEqual({
      orders: 3,
      firstDay: 20_001,
      lastDay: 20_005,
      options: [
        { id: 'shop', orders: 2 },
        { id: 'door', orders: 1 },
      ],
      shoppersKnown: true,
    });
  });
});
