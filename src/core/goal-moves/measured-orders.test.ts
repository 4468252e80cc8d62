import { describe, expect, test } from 'vitest';
import { emptyColumns, type OrderColumns } from '../orders/columns.ts';
import { allOrders } from '../orders/tally.ts';
import { counterfactualOf } from './counterfactual.ts';
import { condensed, evenBands } from './condense.ts';
import { measuredEnd } from './measured-end.ts';
import { byValue, measuredOver } from './measured-orders.ts';
import { moveTerms, optionShares } from './move-terms.ts';
import { moveOutcome } from './move.ts';

/** One order each: value, what it paid, day, option, pieces. */
function ordersOf(rows: readonly (readonly [number, number, number, string, number])[]): OrderColumns {
  const columns = emptyColumns(rows.length, [...new Set(rows.map((row) => row[3]))]);
  for (const [i, [goods, delivery, day, option, items]] of rows.entries()) {
    columns.goods[i] = goods;
    columns.delivery[i] = delivery;
    columns.day[i] = day;
    columns.option[i] = columns.options.indexOf(option);
    columns.items[i] = items;
  }
  return columns;
}

const response = { margin: 0.5, reach: 0.25, near: 0.4, far: 0.4, spread: 0, secondReward: 100 };
const rows = Array.from({ length: 400 }, (_, i): [number, number, number, string, number] => {
  const value = 1000 + 20 * i;
  const day = i % 2 === 0 ? 10 : 20;
  const goal = day < 15 ? 5000 : 6000;
  const shop = i % 5 === 0;
  return [value, value >= goal && !shop ? 0 : 500, day, shop ? 'shop' : 'door', 1 + (i % 6)];
});

describe('orders as a goal measures them', () => {
  const timeline = [
    { from: 0, goal: 5000 },
    { from: 15, goal: 6000 },
  ];

  test('are apart by the goal that was in force, and say what who reached it still paid', () => {
    const parts = measuredOver(ordersOf(rows), allOrders, { measure: 'value', timeline, makesFree: ['door'] });
    expect(parts.map(({ goal }) => goal)).toEqual([5000, 6000]);
    expect(parts.map(({ tally }) => tally.orders)).toEqual([200, 200]);
    for (const { kept } of parts) expect(Math.abs(kept - 100)).toBeLessThan(6);
  });

  test('contradict a goal that most who reached it did not get', () => {
    const paying = rows.map(([value, , ...rest]) => [value, 500, ...rest] as const);
    const parts = measuredOver(ordersOf(paying), allOrders, { measure: 'value', timeline, makesFree: null });
    expect(parts.map(({ goal }) => goal)).toEqual([null, null]);
    const few = measuredOver(ordersOf(paying.slice(0, 20)), allOrders, { measure: 'value', timeline, makesFree: null });
    expect(few.map(({ goal }) => goal)).toEqual([5000, 6000]);
  });

  test('are counted in pieces where the goal is, and those whose pieces are not known are left out', () => {
    const unknown = rows.map((row, i) => (i < 100 ? ([...row.slice(0, 4), 0] as unknown as typeof row) : row));
    const [part] = measuredOver(ordersOf(unknown), allOrders, {
      measure: 'items',
      timeline: [{ from: 0, goal: null }],
      makesFree: null,
    });
    expect([...part!.tally.values]).toEqual([1, 2, 3, 4, 5, 6]);
    expect(part!.tally.orders).toBe(300);
    const known = unknown.slice(100);
    const sum = known.reduce((all, row) => all + row[0], 0);
    expect(part!.unit).toBeCloseTo(sum / known.reduce((all, row) => all + row[4], 0), 6);
    expect(measuredEnd([part!])).toBe(7);
    // Moved to a goal of 4 pieces, the 2 or 3 that are within reach are those with 3.
    const terms = moveTerms(undefined, []);
    const moved = moveOutcome(
      [counterfactualOf(part!, response)],
      1,
      { present: null, candidate: 4 },
      { ...terms, response },
    );
    const [threes, more] = [known.filter((row) => row[4] === 3).length, known.filter((row) => row[4] >= 4).length];
    expect(moved.gaining).toBeCloseTo(more + 0.4 * threes, 6);
  });

  test('condensed into bands they weigh a move as they do one by one', () => {
    const [part] = measuredOver(ordersOf(rows), allOrders, {
      measure: 'value',
      timeline: [{ from: 0, goal: 5000 }],
      makesFree: null,
    });
    const falling = { ...response, far: 0 };
    const whole = counterfactualOf(part!, falling);
    const bands = condensed(whole, evenBands(100, 20_000, [5000]));
    expect(bands.values.length).toBeLessThan(100);
    expect(bands.cumulative.at(-1)).toBeCloseTo(whole.cumulative.at(-1)!, 6);
    const terms = { ...moveTerms(undefined, []), response: falling };
    for (const candidate of [4000, 4500, 5500, 7000, null]) {
      const [one, other] = [whole, bands].map((orders) =>
        moveOutcome([orders], 1, { present: 5000, candidate }, terms),
      );
      expect(Math.abs(other!.net - one!.net)).toBeLessThan(Math.max(40, 0.03 * Math.abs(one!.net)));
    }
  });
});

test('a second goal above gives its reward to all who reach it, and lifts some of the others', () => {
  const columns = ordersOf([5000, 5900, 7000].map((value) => [value, value < 6000 ? 500 : 0, 10, 'door', 1] as const));
  const [part] = measuredOver(columns, allOrders, {
    measure: 'value',
    timeline: [{ from: 0, goal: 6000 }],
    makesFree: null,
  });
  const orders = counterfactualOf({ ...part!, goal: null }, response);
  const terms = { ...moveTerms(undefined, []), response };
  const alone = moveOutcome([orders], 1, { present: 6000, candidate: 6000 }, terms);
  expect(alone.net).toBe(0);
  const two = moveOutcome([orders], 1, { present: 6000, candidate: 6000, second: 7500 }, terms);
  // Each that reaches 6000 (of 5000 and 5900 a share of 0.4) goes on to 7500 with 0.4, within 25 % of it: adds to it, less the reward.
  const brought = (from: number) => 0.4 * (0.5 * (7500 - from) - 100);
  expect(two.net).toBeCloseTo(0.4 * brought(6000) * 2 + brought(7000), 6);
  expect(two.net).toBeCloseTo(two.margin + two.delivery + two.saved, 6);
});

describe('what is assumed', () => {
  const shares = optionShares(ordersOf(rows), allOrders);

  test('own cost is an average over how orders were delivered, what is not stated as paid', () => {
    expect(shares.map(({ id, orders, paid }) => [id, orders, paid])).toEqual([
      ['door', 320, 500],
      ['shop', 80, 500],
    ]);
    const usual = { margin: '45', reach: '25', near: '40', far: '10', spread: '50', secondReward: 300 };
    expect(moveTerms(usual, shares).ownCost).toBeNull();
    expect(moveTerms({ ...usual, ownCost: { shop: 250 } }, shares).ownCost).toBeCloseTo(0.8 * 500 + 0.2 * 250, 9);
    expect(moveTerms({ ...usual, ownCost: { elsewhere: 250 } }, shares).ownCost).toBeNull();
  });

  test('a range holds what is likely', () => {
    const usual = { margin: '45', reach: '25', near: '40', far: '10', spread: '50', secondReward: 300 };
    const { lost, won } = moveTerms({ ...usual, lost: { likely: '5', low: '7', high: '3' } }, shares);
    expect(lost).toEqual({ likely: 0.05, low: 0.05, high: 0.05 });
    expect(won).toEqual({ likely: 0, low: 0, high: 0 });
  });
});

test('orders by value are worth what they are measured by', () => {
  const tally = measuredOver(ordersOf(rows), allOrders, { measure: 'value', timeline: [], makesFree: null })[0]!.tally;
  expect(byValue(tally, null)).toMatchObject({ unit: 1, goal: null, kept: 0 });
});
