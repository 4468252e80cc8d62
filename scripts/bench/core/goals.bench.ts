import { chanceOf, withChance } from '../../../src/core/goal-moves/chance.ts';
import { bestGoal } from '../../../src/core/goal-moves/best-goal.ts';
import { finely } from '../../../src/core/goal-moves/condense.ts';
import { counterfactualOf } from '../../../src/core/goal-moves/counterfactual.ts';
import { byValue } from '../../../src/core/goal-moves/measured-orders.ts';
import { candidatesAlong, moveCurve } from '../../../src/core/goal-moves/move-curve.ts';
import { moveOutcome, type MoveTerms } from '../../../src/core/goal-moves/move.ts';
import type { Response } from '../../../src/core/orders/response.ts';
import { allOrders, tallyOf } from '../../../src/core/orders/tally.ts';
import { poissonDeviate, seededRandom } from '../../../src/core/statistics/random.ts';
import { netUnderGoal, ordersUnderGoal } from '../../../tests/support/orders-under-goal.ts';
import { median, quantile, type Bar } from '../bar.ts';

const response: Response = { margin: 0.4, reach: 0.25, near: 0.4, far: 0.1, spread: 0, secondReward: 0 };
const none = { likely: 0, low: 0, high: 0 };
const terms: MoveTerms = { response, lost: none, won: none, ownCost: null };
const end = 18_000;
const stores = 500;
const ordersOfStore = 3000;
const many = 100_000;

const moves = [
  ['raising', 7500, 8500],
  ['lowering', 7500, 6500],
  ['dropping', 7500, null],
  ['adding', null, 7500],
] as const;

/** How often bands of moved goals hold the truth, and how fast curves, bands and best goals are. */
export function bars(): Bar[] {
  return [...moves.map(([name, present, candidate]) => covers(name, present, candidate)), ...speeds()];
}

function covers(name: string, present: number | null, candidate: number | null): Bar {
  const { own } = ordersUnderGoal(99, 400_000, null, response);
  const gained = (value: number) => netUnderGoal(value, candidate, response) - netUnderGoal(value, present, response);
  const truth = (own.reduce((sum, value) => sum + gained(value), 0) / own.length) * ordersOfStore;
  let inside = 0;
  for (let seed = 0; seed < stores; seed++) {
    // As many orders come in as chance has it.
    const count = poissonDeviate(seededRandom(77_000 + seed), ordersOfStore);
    const orders = byValue(tallyOf(ordersUnderGoal(1000 + seed, count, present, response).columns, allOrders), present);
    const outcome = moveOutcome([counterfactualOf(orders, response)], 1, { present, candidate }, terms);
    const { low, high } = withChance(outcome, chanceOf([orders], 1, { present, candidates: [candidate], end }, terms));
    if (low <= truth && truth <= high) inside++;
  }
  const share = inside / stores;
  return {
    name: `the 90 % band of ${name} a goal holds the truth, ${stores} stores`,
    measured: `${(share * 100).toFixed(1)} %`,
    required: '85 to 95 %',
    held: share >= 0.85 && share <= 0.95,
  };
}

function speeds(): Bar[] {
  const orders = byValue(tallyOf(ordersUnderGoal(5, many, 7500, response).columns, allOrders), 7500);
  const spread: MoveTerms = {
    ...terms,
    response: { ...response, spread: 0.3 },
    lost: { likely: 0.05, low: 0.03, high: 0.08 },
  };
  // As the page has them: in fine bands, since they came.
  const bands = finely(orders, end, 7500);
  const parts = [counterfactualOf(bands, spread.response)];
  const candidates = candidatesAlong('value', end).filter((_, i) => i % 4 === 0);
  const moved = timed(60, () => moveOutcome(parts, 24, { present: 7500, candidate: 8000 }, spread));
  const curves = timed(40, () => {
    moveCurve([counterfactualOf(bands, spread.response)], 24, { present: 7500, end }, spread);
  });
  const chances = timed(5, () => chanceOf([orders], 24, { present: 7500, candidates, end }, spread));
  const best = timed(5, () => {
    for (let market = 0; market < 7; market++) bestGoal([orders], 24, { present: 7500, end }, spread);
  });
  const bar = (name: string, times: number[], of: (times: number[]) => number, limit: number): Bar => ({
    name,
    measured: `${of(times).toFixed(1)} ms`,
    required: `under ${limit} ms`,
    held: of(times) < limit,
  });
  const mostly = (times: number[]) => quantile(times, 0.95);
  return [
    bar('a move weighed while dragging, 100,000 orders (95 %)', moved, mostly, 16),
    bar('the whole curve after an assumption has changed, 100,000 orders (95 %)', curves, mostly, 16),
    bar('bands by orders drawn anew, 100,000 orders (median)', chances, median, 500),
    bar('best goals of seven markets of 100,000 orders each (median)', best, median, 1000),
  ];
}

function timed(times: number, what: () => unknown): number[] {
  for (let warm = 0; warm < 5; warm++) what();
  return Array.from({ length: times }, () => {
    const began = performance.now();
    what();
    return performance.now() - began;
  });
}
