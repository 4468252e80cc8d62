import { describe, expect, test } from 'vitest';
import { emptyColumns } from '../orders/columns.ts';
import { allOrders, tallyOf } from '../orders/tally.ts';
import { normal, seededRandom } from '../statistics/random.ts';
import { bestGoal } from './best-goal.ts';
import { chanceOf, withChance } from './chance.ts';
import { counterfactualOf } from './counterfactual.ts';
import { firstMove } from './first-move.ts';
import { byValue } from './measured-orders.ts';
import { moveCurve } from './move-curve.ts';
import { moveOutcome, type MoveTerms } from './move.ts';

const none = { likely: 0, low: 0, high: 0 };
const terms: MoveTerms = {
  response: { margin: 0.4, reach: 0.25, near: 0.4, far: 0.1, spread: 0.2, secondReward: 0 },
  lost: { likely: 0.06, low: 0.05, high: 0.07 },
  won: none,
  ownCost: null,
};
const price = 595;
const end = 18_000;

/** A store whose orders have come in under a goal. */
function ordersUnder(goal: number | null, count: number, seed = 1, free = 0) {
  const random = seededRandom(seed);
  const columns = emptyColumns(count);
  for (let i = 0; i < count; i++) {
    columns.goods[i] = Math.round(Math.exp(8.6 + 0.45 * normal(random)));
    const isFree = (goal !== null && columns.goods[i]! >= goal) || random() < free;
    columns.delivery[i] = isFree ? 0 : price;
  }
  return byValue(tallyOf(columns, allOrders), goal);
}

describe('the best goal', () => {
  test('is a round amount among those nearly as good, and no candidate near brings more than a seventh beyond it', () => {
    const orders = ordersUnder(7500, 20_000);
    const lifting = { ...terms, response: { ...terms.response, margin: 0.55, reach: 0.3, near: 0.6, far: 0.3 } };
    const found = bestGoal([orders], 12, { present: 7500, end }, lifting);
    if (!found.ok) throw new Error(found.because);
    const { best, nearly, says } = found.advice;
    expect(['move', 'unclear']).toContain(says);
    expect(best.candidate! % 50).toBe(0);
    expect(best.candidate).toBeGreaterThanOrEqual(nearly!.from);
    expect(best.candidate).toBeLessThanOrEqual(nearly!.to);
    const parts = [counterfactualOf(orders, lifting.response)];
    for (let candidate = 5000; candidate <= 11_250; candidate += 50)
      expect(moveOutcome(parts, 12, { present: 7500, candidate }, lifting).net * 0.84).toBeLessThan(best.net);
  });

  test('stays where so many would stay away that every move costs', () => {
    const lost = { likely: 1, low: 1, high: 1 };
    const silent = { ...terms.response, near: 0, far: 0 };
    const all = { ...terms, lost, response: silent, ownCost: 5000 };
    const found = bestGoal([ordersUnder(7500, 5000)], 12, { present: 7500, end }, { ...all, ownCost: 400 });
    expect(found).toMatchObject({
      ok: true,
      advice: { says: 'stay', nearly: null, best: { net: 0, candidate: 7500 } },
    });
  });

  test('is none yet where nobody has stated who stays away', () => {
    const found = bestGoal([ordersUnder(7500, 5000)], 12, { present: 7500, end }, { ...terms, lost: none });
    expect(found).toMatchObject({ ok: true, advice: { says: 'unstated' } });
  });

  test('is not looked for where nothing honest can be said', () => {
    expect(bestGoal([ordersUnder(7500, 200)], 12, { present: 7500, end }, terms)).toEqual({
      ok: false,
      because: 'tooFewOrders',
    });
    expect(bestGoal([ordersUnder(0, 2000)], 12, { present: 0, end }, terms)).toEqual({
      ok: false,
      because: 'noDeliveryPaid',
    });
    expect(bestGoal([ordersUnder(null, 2000, 1, 0.5)], 12, { present: null, end }, terms)).toEqual({
      ok: false,
      because: 'freeOtherwise',
    });
  });

  test('tried first is what lies near', () => {
    const parts = [counterfactualOf(ordersUnder(7500, 5000), terms.response)];
    const curve = moveCurve(parts, 12, { present: 7500, end }, { ...terms, lost: none, ownCost: 0 });
    // More is always better here, as nobody stays away: a tenth more is a beginning.
    expect(firstMove(curve, 'value')).toBe(8250);
    const first = firstMove(moveCurve(parts, 12, { present: null, end }, terms), 'value');
    expect(first === null || first % 100 === 0).toBe(true);
    expect(curve.along.find(({ candidate }) => candidate === 7500)).toMatchObject({ net: 0 });
  });
});

describe('chance', () => {
  test('is found for a goal of next to nothing, too, and for one beyond all orders', () => {
    for (const present of [1, 1e9]) {
      const all = chanceOf([ordersUnder(present, 1000)], 1, { present, candidates: [7500, null], end: 1e7 }, terms);
      expect([...all.down, ...all.up].every(Number.isFinite)).toBe(true);
    }
  });

  const orders = ordersUnder(7500, 3000);
  const candidates = [5000, 7500, 10_000, null];
  const chance = chanceOf([orders], 1, { present: 7500, candidates, end }, terms);

  test('moves nothing where nothing is moved, more the fewer orders there are, and the same from the same seed', () => {
    expect([chance.down[1], chance.up[1]]).toEqual([0, 0]);
    expect(chance.down[2]).toBeGreaterThan(0);
    const more = chanceOf([ordersUnder(7500, 30_000)], 10, { present: 7500, candidates, end }, terms);
    expect(more.up[0]! / chance.up[0]!).toBeLessThan(0.5);
    expect(chanceOf([orders], 1, { present: 7500, candidates, end }, terms)).toEqual(chance);
  });

  test('between two candidates is what lies between', () => {
    const outcome = moveOutcome(
      [counterfactualOf(orders, terms.response)],
      1,
      { present: 7500, candidate: 6250 },
      terms,
    );
    const banded = withChance(outcome, chance);
    expect(banded.high - outcome.ends[1]).toBeCloseTo(chance.up[0]! / 2, 6);
    expect(withChance({ ...outcome, candidate: null }, chance).low).toBeCloseTo(outcome.ends[0] - chance.down[3]!, 6);
  });
});
