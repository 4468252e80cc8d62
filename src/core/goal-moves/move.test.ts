import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { netUnderGoal, ordersUnderGoal, priceBelow } from '../../../tests/support/orders-under-goal.ts';
import type { Response } from '../orders/response.ts';
import { emptyColumns } from '../orders/columns.ts';
import { allOrders, sumsAlong, tallyOf, type Tally } from '../orders/tally.ts';
import { normalCdf } from '../statistics/normal.ts';
import { counterfactualOf, type Counterfactual } from './counterfactual.ts';
import { byValue } from './measured-orders.ts';
import { moveOutcome, type MoveTerms } from './move.ts';

const none = { likely: 0, low: 0, high: 0 };
const response: Response = { margin: 0.4, reach: 0.25, near: 0.4, far: 0.1, spread: 0, secondReward: 0 };
const silent: Response = { ...response, near: 0, far: 0 };
const terms: MoveTerms = { response, lost: none, won: none, ownCost: null };
const price = priceBelow;

function store(seed: number, count: number, goal: number | null, known: Response): { tally: Tally; own: number[] } {
  const { columns, own } = ordersUnderGoal(seed, count, goal, known);
  return { tally: tallyOf(columns, allOrders), own };
}

const sum = (values: Iterable<number>) => [...values].reduce((all, one) => all + one, 0);

describe('the counterfactual', () => {
  test('of a time without a goal is what was seen', () => {
    const { tally } = store(1, 3000, null, response);
    const taken = counterfactualOf(byValue(tally, null), response);
    expect(sum(taken.orders)).toBe(3000);
    expect(new Set(taken.weights)).toEqual(new Set([1]));
    expect(new Set(taken.prices)).toEqual(new Set([price]));
  });

  test('gives orders back to where they came from, and loses none', () => {
    const { tally, own } = store(2, 60_000, 7500, response);
    const taken = counterfactualOf(byValue(tally, 7500), response);
    expect(sum(taken.orders)).toBeCloseTo(60_000, 3);
    const between = (from: number, to: number) =>
      sum(taken.orders.filter((_, i) => taken.values[i]! >= from && taken.values[i]! < to));
    const truly = (from: number, to: number) => own.filter((value) => value >= from && value < to).length;
    const seen = (from: number, to: number) =>
      (tally.cumulative[tally.values.findLastIndex((value) => value < to)] ?? 0) -
      (tally.cumulative[tally.values.findLastIndex((value) => value < from)] ?? 0);
    for (const [from, to] of [
      [5700, 6600],
      [6600, 7500],
      [7500, 7950],
      [7950, 8400],
    ] as const)
      expect(Math.abs(between(from, to) / truly(from, to) - 1)).toBeLessThan(0.08);
    expect(seen(6600, 7500) / truly(6600, 7500)).toBeLessThan(0.75);
    expect(seen(7500, 7950) / truly(7500, 7950)).toBeGreaterThan(1.5);
  });

  test('believes a response only as far as orders stand above the goal', () => {
    const { tally } = store(3, 20_000, null, response);
    const above = { ...tally, cumulative: tally.cumulative.map((_, i) => (tally.values[i]! < 7500 ? i + 1 : 0)) };
    const last = tally.values.findLastIndex((value) => value < 7500);
    above.cumulative.fill(last + 1, last + 1);
    const taken = counterfactualOf(byValue(above, 7500), response);
    expect(new Set(taken.weights.filter((_, i) => taken.values[i]! < 7500))).toEqual(new Set([1]));
    expect(sum(taken.orders)).toBeCloseTo(last + 1, 6);
  });

  test('is empty of nothing', () => {
    const taken = counterfactualOf(byValue(tallyOf(emptyColumns(0), allOrders), 7500), response);
    expect(taken.values).toHaveLength(0);
    expect(moveOutcome([taken], 1, { present: 7500, candidate: 8000 }, terms)).toMatchObject({
      net: 0,
      low: 0,
      high: 0,
      breakEvenLost: null,
    });
  });
});

describe('moving a goal', () => {
  const { tally } = store(4, 20_000, 7500, response);
  const orders = counterfactualOf(byValue(tally, 7500), response);

  test('to where it is changes nothing', () => {
    expect(moveOutcome([orders], 3, { present: 7500, candidate: 7500 }, terms)).toMatchObject({
      net: 0,
      low: 0,
      high: 0,
      losing: 0,
      gaining: 0,
    });
    expect(moveOutcome([orders], 3, { present: null, candidate: null }, terms)).toMatchObject({ net: 0, reaching: 0 });
  });

  test('is its parts together, and there and back comes to nothing', () => {
    fc.assert(
      fc.property(
        fc.option(fc.integer({ min: 1000, max: 20_000 })),
        fc.option(fc.integer({ min: 1000, max: 20_000 })),
        (present, candidate) => {
          const there = moveOutcome([orders], 2, { present: present, candidate: candidate }, terms);
          const back = moveOutcome([orders], 2, { present: candidate, candidate: present }, terms);
          expect(there.margin + there.delivery + there.saved).toBeCloseTo(there.net, 4);
          expect(there.net).toBeCloseTo(-back.net, 4);
          expect([there.losing, there.gaining]).toEqual(
            [back.gaining, back.losing].map((one) => expect.closeTo(one, 4)),
          );
          expect(there.low).toBeLessThanOrEqual(there.net);
          expect(there.high).toBeGreaterThanOrEqual(there.net);
        },
      ),
      { numRuns: 80 },
    );
  });

  test('breaks even at the share that is said', () => {
    const raised = moveOutcome([orders], 1, { present: 7500, candidate: 8500 }, terms);
    expect(raised.net).toBeGreaterThan(0);
    const share = raised.breakEvenLost!;
    const at = moveOutcome(
      [orders],
      1,
      { present: 7500, candidate: 8500 },
      { ...terms, lost: { likely: share, low: share, high: share } },
    );
    expect(at.net).toBeCloseTo(0, 4);
    const lowered = moveOutcome([orders], 1, { present: 7500, candidate: 6500 }, terms);
    const more = lowered.breakEvenWon!;
    const won = { likely: more, low: more, high: more };
    expect(moveOutcome([orders], 1, { present: 7500, candidate: 6500 }, { ...terms, won }).net).toBeCloseTo(0, 4);
    expect(lowered.breakEvenLost).toBeNull();
  });

  test('is as wide as what is not known', () => {
    const sure = moveOutcome([orders], 1, { present: 7500, candidate: 8500 }, terms);
    const lost = { likely: 0.02, low: 0, high: 0.1 };
    const unsure = moveOutcome(
      [orders],
      1,
      { present: 7500, candidate: 8500 },
      { ...terms, response: { ...response, spread: 0.5 }, lost },
    );
    expect(unsure.net).toBeLessThan(sure.net);
    expect(unsure.high - unsure.low).toBeGreaterThan(2 * (sure.high - sure.low));
    expect(
      moveOutcome([orders], 1, { present: 7500, candidate: 8500 }, { ...terms, ownCost: 900, lost }).saved,
    ).toBeGreaterThan(0);
  });
});

describe('against closed forms', () => {
  // Without a response every order from the goal up pays nothing: raising it from G to H brings p for each between them.
  const closed = (share: (value: number) => number, name: string, values: Counterfactual) =>
    test(`${name}: what raising brings, and its break-even`, () => {
      const [low, high] = [7500, 8500];
      const between = share(low) - share(high);
      const known = { ...terms, response: silent, ownCost: 0 };
      const { net, losing, breakEvenLost } = moveOutcome([values], 1, { present: low, candidate: high }, known);
      expect(losing).toBeCloseTo(between, 4);
      expect(net / (between * price)).toBeCloseTo(1, 3);
      // Lost are margin and price of those between: the break-even is p over p + margin × their average value.
      let average = 0;
      for (let value = low; value < high; value++) average += (share(value) - share(value + 1)) * (value + 0.5);
      average /= between;
      expect(breakEvenLost!).toBeCloseTo(price / (price + response.margin * average), 4);
    });
  const drawn = (share: (value: number) => number): Counterfactual => {
    const values = Float64Array.from({ length: 60_000 }, (_, i) => i);
    const orders = values.map((value) => share(value) - share(value + 1));
    return {
      measure: 'value',
      values,
      orders,
      cumulative: sumsAlong(orders),
      goods: values,
      unit: 1,
      weights: values.map(() => 1),
      prices: values.map(() => price),
      kept: 0,
    };
  };
  const exponential = (value: number) => Math.exp(-value / 6000);
  closed(exponential, 'exponential values', drawn(exponential));
  const logNormal = (value: number) => 1 - normalCdf((Math.log(Math.max(1e-9, value)) - 8.6) / 0.45);
  closed(logNormal, 'log-normal values', drawn(logNormal));
});

describe('the band holds what is true in about 90 of a hundred stores', () => {
  const truth = store(99, 150_000, null, response).own;
  const [count, stores] = [3000, 100];

  test.each([
    ['raising', 7500, 8500],
    ['lowering', 7500, 6500],
    ['dropping', 7500, null],
    ['adding', null, 7500],
  ] as const)('for %s a goal', (_, present, candidate) => {
    const gained = truth.map(
      (value) => netUnderGoal(value, candidate, response) - netUnderGoal(value, present, response),
    );
    const expected = (sum(gained) / truth.length) * count;
    let inside = 0;
    for (let seed = 0; seed < stores; seed++) {
      const { tally } = store(1000 + seed, count, present, response);
      const parts = [counterfactualOf(byValue(tally, present), response)];
      const { low, high } = moveOutcome(parts, 1, { present, candidate }, terms);
      if (low <= expected && expected <= high) inside++;
    }
    expect(inside / stores).toBeGreaterThan(0.84);
    expect(inside / stores).toBeLessThan(0.97);
  });
});
