import { valueAtShare } from '../orders/distribution.ts';
import { roundest } from '../orders/roundest.ts';
import { chanceOf, withChance } from './chance.ts';
import { counterfactualOf } from './counterfactual.ts';
import type { MeasuredOrders } from './measured-orders.ts';
import { moveCurve } from './move-curve.ts';
import { moveOutcome, type MoveOutcome, type MoveTerms } from './move.ts';

/** Why nothing honest can be said of where a goal would stand best. */
export type NoAdvice = 'tooFewOrders' | 'noDeliveryPaid';

/** Where a goal would stand best. Minor units, or pieces. */
export interface GoalAdvice {
  /** at the best round amount, or at none; where the present goal is nearly as good as any, at that */
  best: MoveOutcome;
  /** between which amounts all are nearly as good; null: of none is said to be best */
  nearly: { from: number; to: number } | null;
  /**
   * `move`: it surely brings more than the present goal; `stay`: that is nearly as good as any; `unclear`: one amount looks
   * better, and chance and assumptions are large enough for the opposite
   */
  says: 'move' | 'stay' | 'unclear';
}

const fewestOrders = 300;
/** Amounts that bring a tenth less than the best are nearly as good. */
const nearlyAsGood = 0.1;
/** Candidates lie where orders lie: beyond, nothing is known of what they would do. */
const [lowestShare, highestShare] = [0.05, 0.97];
/** What moves less than this share of the goods of a month is no reason to move anything. */
const worthMoving = 0.0005;

/**
 * The goal that brings a month most, among round amounts (2-domain §10).
 *
 * @param months length of the period @param end up to where candidates are looked at, in the measure
 */
export function bestGoal(
  orders: readonly MeasuredOrders[],
  months: number,
  { present, end }: { present: number | null; end: number },
  terms: MoveTerms,
): { ok: true; advice: GoalAdvice } | { ok: false; because: NoAdvice } {
  const count = orders.reduce((sum, { tally }) => sum + tally.orders, 0);
  if (count < fewestOrders) return { ok: false, because: 'tooFewOrders' };
  if (orders.every(({ tally }) => (tally.paid.at(-1) ?? 0) === 0)) return { ok: false, because: 'noDeliveryPaid' };
  const largest = orders.reduce((most, one) => (one.tally.orders > most.tally.orders ? one : most)).tally;
  const [lowest, highest] = [valueAtShare(largest, lowestShare), Math.min(end, valueAtShare(largest, highestShare))];
  const parts = orders.map((one) => counterfactualOf(one, terms.response));
  const { along, dropped } = moveCurve(parts, months, { present, end }, terms);
  const amounts = along.filter(({ candidate }) => candidate! >= lowest && candidate! <= highest);
  const candidates = [...amounts, ...(dropped ? [dropped] : [])];
  const most = candidates.reduce<MoveOutcome | null>((best, one) => (best && best.net >= one.net ? best : one), null);
  const outcomeAt = (candidate: number | null) => {
    const chance = chanceOf(orders, months, { present, candidates: [candidate], end }, terms);
    return withChance(moveOutcome(parts, months, { present, candidate }, terms), chance);
  };
  const goods = orders.reduce(
    (sum, { tally, goods: worth }) =>
      sum +
      worth.reduce((all, one, i) => all + one * (tally.cumulative[i]! - (i > 0 ? tally.cumulative[i - 1]! : 0)), 0),
    0,
  );
  if (!most || most.net <= (worthMoving * goods) / months)
    return { ok: true, advice: { best: outcomeAt(present), nearly: null, says: 'stay' } };
  const nearly = most.candidate === null ? null : stretchAround(amounts, most, (1 - nearlyAsGood) * most.net);
  const best = outcomeAt(nearly ? (roundest(nearly.from, nearly.to, most.candidate!) ?? most.candidate) : null);
  return { ok: true, advice: { best, nearly, says: best.low > 0 ? 'move' : 'unclear' } };
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
