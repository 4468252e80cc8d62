import { valueAtShare } from '../orders/distribution.ts';
import { roundest } from '../orders/roundest.ts';
import { chanceOf, withChance } from './chance.ts';
import { finely } from './condense.ts';
import { counterfactualOf, type Counterfactual } from './counterfactual.ts';
import { likelihoodOf } from './likelihood.ts';
import type { MeasuredOrders } from './measured-orders.ts';
import { moveCurve } from './move-curve.ts';
import { moveOutcome, type MoveOutcome, type MoveTerms } from './move.ts';

/** Why nothing honest can be said of where a goal would stand best. */
export type NoAdvice = 'tooFewOrders' | 'noDeliveryPaid' | 'freeOtherwise';

/** Where a goal would stand best. Minor units, or pieces. */
export interface GoalAdvice {
  /** at the best round amount, or at none; where the present goal is nearly as good as any, at that */
  best: MoveOutcome;
  /** between which amounts all are nearly as good; null: of none is said to be best */
  nearly: { from: number; to: number } | null;
  /**
   * `move`: it surely brings more than the present goal; `stay`: that is nearly as good as any; `unclear`: one amount looks
   * better, and chance and assumptions are large enough for the opposite; `unstated`: it takes free delivery from orders, and nobody
   * has stated how many of those stay away
   */
  says: 'move' | 'stay' | 'unclear' | 'unstated';
  /** what orders within reach of it lack on average, in the measure; null: it is in no order’s reach */
  lacking: number | null;
}

const fewestOrders = 300;
/** Amounts that bring so much less than the best are nearly as good. */
const nearlyAsGood = 0.15;
/** Where more than this share of orders without a goal had delivery free, something makes it free that is not known here. */
const mostFree = 0.3;
/** Candidates lie where orders lie: beyond, nothing is known of what they would do. */
const [lowestShare, highestShare] = [0.05, 0.97];
/** And near the goal in force: further off, what is assumed of shoppers at it carries less. */
export const [nearest, furthest] = [2 / 3, 3 / 2];
/** What moves less than this share of the goods of a month is no reason to move anything. */
const worthMoving = 0.0005;

/**
 * The goal that brings a month most, among round amounts (2-domain §10).
 *
 * @param months length of the period @param end up to where candidates are looked at, in the measure
 */
export function bestGoal(
  measured: readonly MeasuredOrders[],
  months: number,
  { present, end }: { present: number | null; end: number },
  terms: MoveTerms,
): { ok: true; advice: GoalAdvice } | { ok: false; because: NoAdvice } {
  const orders = measured.map((one) => finely(one, end, present));
  const count = sumOver(orders, ({ tally }) => tally.orders);
  if (count < fewestOrders) return { ok: false, because: 'tooFewOrders' };
  if (orders.every(({ tally }) => (tally.paid.at(-1) ?? 0) === 0)) return { ok: false, because: 'noDeliveryPaid' };
  const without = orders.filter(({ goal }) => goal === null).map(({ tally }) => tally);
  const known = sumOver(without, (tally) => (tally.paying.at(-1) ?? 0) + (tally.free.at(-1) ?? 0));
  if (sumOver(without, (tally) => tally.free.at(-1) ?? 0) > mostFree * known)
    return { ok: false, because: 'freeOtherwise' };
  const largest = orders.reduce((most, one) => (one.tally.orders > most.tally.orders ? one : most)).tally;
  const lowest = Math.max(valueAtShare(largest, lowestShare), (present ?? 0) * nearest);
  const highest = Math.min(end, valueAtShare(largest, highestShare), (present ?? Infinity) * furthest);
  const parts = orders.map((one) => counterfactualOf(one, terms.response));
  const { along: amounts, dropped } = moveCurve(parts, months, { present, end, between: [lowest, highest] }, terms);
  const candidates = [...amounts, ...(dropped ? [dropped] : [])];
  const most = candidates.reduce<MoveOutcome | null>((best, one) => (best && best.net >= one.net ? best : one), null);
  const outcomeAt = (candidate: number | null) => {
    const chance = chanceOf(orders, months, { present, candidates: [candidate], end }, terms);
    return withChance(moveOutcome(parts, months, { present, candidate }, terms), chance);
  };
  const goods = sumOver(parts, (part) => sumOver([...part.goods.keys()], (i) => part.goods[i]! * part.orders[i]!));
  if (!most || most.net <= (worthMoving * goods) / months)
    return { ok: true, advice: { best: outcomeAt(present), nearly: null, says: 'stay', lacking: null } };
  const nearly = most.candidate === null ? null : stretchAround(amounts, most, (1 - nearlyAsGood) * most.net);
  const best = outcomeAt(nearly ? (roundest(nearly.from, nearly.to, most.candidate!) ?? most.candidate) : null);
  return {
    ok: true,
    advice: { best, nearly, says: saysOf(best, terms), lacking: lackingOf(parts, best.candidate, terms) },
  };
}

function saysOf({ low, losing, gaining }: MoveOutcome, { lost }: MoveTerms): GoalAdvice['says'] {
  if (losing > gaining && lost.high === 0) return 'unstated';
  return low > 0 ? 'move' : 'unclear';
}

function lackingOf(parts: readonly Counterfactual[], goal: number | null, { response }: MoveTerms): number | null {
  if (goal === null) return null;
  let [lacking, within] = [0, 0];
  for (const { measure, values, orders } of parts) {
    for (let i = 0; i < values.length; i++) {
      if (values[i]! >= goal || likelihoodOf(measure, response, goal, values[i]!) === 0) continue;
      lacking += orders[i]! * (goal - values[i]!);
      within += orders[i]!;
    }
  }
  return within === 0 ? null : lacking / within;
}

/** How far left and right of the best one nets stay above something. */
function stretchAround(
  amounts: readonly MoveOutcome[],
  best: MoveOutcome,
  least: number,
): { from: number; to: number } {
  const at = amounts.indexOf(best);
  let [from, to] = [at, at];
  while (from > 0 && amounts[from - 1]!.net >= least) from--;
  while (to < amounts.length - 1 && amounts[to + 1]!.net >= least) to++;
  return { from: amounts[from]!.candidate!, to: amounts[to]!.candidate! };
}

function sumOver<T>(all: readonly T[], of: (one: T) => number): number {
  return all.reduce((sum, one) => sum + of(one), 0);
}
