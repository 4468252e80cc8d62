import { orderOfValue } from '../cart/hypothetical-order.ts';
import type { CompiledZone } from '../evaluation/compile.ts';
import type { Situation } from '../evaluation/context.ts';
import { evaluateOrder } from '../evaluation/evaluate-order.ts';
import type { Evaluation } from '../evaluation/evaluation.ts';
import { lowestThat } from '../lowest-that.ts';
import { sweepZone } from './sweep.ts';

/** An order value at which something that is paid or reached changes, or from which the shopper is nearly there, with the orders just below, at and just above it. */
export interface Seam {
  /** minor units */
  at: number;
  below: Evaluation;
  here: Evaluation;
  above: Evaluation;
  promise: SeamPromise;
}

/**
 * Whether what the shopper just below reads comes true: that so much more reaches the goal. `none`: nothing is promised
 * there, or not in money. `least`: a smaller amount more that brings as much, whoever gives it; null where there is none.
 */
type SeamPromise =
  | { kind: 'none' }
  | { kind: 'broken'; offerId: string; goalId: string; remaining: number }
  | { kind: 'kept'; offerId: string; goalId: string; remaining: number; least: number | null };

/**
 * Every seam of a zone along the goods value, for an order of ordinary goods, up to an amount. The amounts are the exact ones
 * at which prices or goals change, from the sweep; where a price rises evenly, only its ends are seams.
 */
export function seamsOf(zone: CompiledZone, situation: Situation, until: number): Seam[] {
  const evaluated = (value: number) => evaluateOrder(zone, orderOfValue(value), situation);
  const { segments } = sweepZone(zone, 'goodsValue', situation);
  const starts = segments.map(({ from }) => from);
  const amounts = segments.flatMap(({ from, last }) => {
    if (from > until) return [];
    const near = beginsNearly(from, Math.min(last, until), evaluated);
    return [...(from < 1 ? [] : [from]), ...(near === null || near < 1 ? [] : [near])];
  });
  return [...new Set(amounts)].flatMap((at): Seam[] => {
    const [below, here] = [evaluated(at - 1), evaluated(at)];
    if (!changes(below, here)) return [];
    return [{ at, below, here, above: evaluated(at + 1), promise: promiseOf(below, at - 1, starts, evaluated) }];
  });
}

/** Where on a stretch the shopper begins to be nearly there; null where that does not begin on it. */
function beginsNearly(from: number, last: number, evaluated: (value: number) => Evaluation): number | null {
  const nearly = (value: number) => evaluated(value).lead?.state === 'nearly';
  const first = lowestThat(nearly, from, last);
  return first === from ? null : first;
}

/** Whether a price, a goal or the state of who leads is another than just below: an edge of something that is not for this shopper changes nothing. */
function changes(below: Evaluation, here: Evaluation): boolean {
  const goals = ({ offers }: Evaluation) => offers.flatMap((offer) => offer.goals.map(({ reached }) => reached));
  const [before, after] = [goals(below), goals(here)];
  if (
    below.lead?.state !== here.lead?.state ||
    below.options.length !== here.options.length ||
    before.some((reached, index) => reached !== after[index])
  )
    return true;
  return here.options.some((option, index) => {
    const was = below.options[index]!;
    return was.optionId !== option.optionId || was.before !== option.before || was.after !== option.after;
  });
}

/** Whether a shopper pays no more for any option and gets no less. */
function isAsGood(one: Evaluation, other: Evaluation): boolean {
  const paid = new Map(one.options.map(({ optionId, after }) => [optionId, after]));
  return (
    other.options.every(({ optionId, after }) => (paid.get(optionId) ?? Infinity) <= after) &&
    one.goodsRewarded.off >= other.goodsRewarded.off &&
    one.gifts.length >= other.gifts.length
  );
}

/** @param starts where prices or goals change, ascending */
function promiseOf(
  { lead }: Evaluation,
  value: number,
  starts: readonly number[],
  evaluated: (value: number) => Evaluation,
): SeamPromise {
  if (
    !lead ||
    lead.state === 'missedOut' ||
    lead.goalId === null ||
    lead.arguments.measure !== 'value' ||
    lead.arguments.remaining <= 0
  )
    return { kind: 'none' };
  const { speakerId: offerId, goalId } = lead;
  const { remaining } = lead.arguments;
  const then = evaluated(value + remaining);
  const goal = then.offers.find((offer) => offer.offerId === offerId)?.goals.find((other) => other.goalId === goalId);
  if (!goal?.reached) return { kind: 'broken', offerId, goalId, remaining };
  const sooner = starts.find((start) => start > value && start < value + remaining && isAsGood(evaluated(start), then));
  return { kind: 'kept', offerId, goalId, remaining, least: sooner === undefined ? null : sooner - value };
}
