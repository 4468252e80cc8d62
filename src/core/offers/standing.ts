import type { Facts } from '../conditions/asked.ts';
import type { Redemptions } from '../policy/types.ts';
import type { CompiledGoal, CompiledOffer } from './compile-offer.ts';
import { countedToward } from './counted.ts';
import { remainderOf } from './remainder.ts';
import { codeStandsForAmount, statusOf, type OfferStatus } from './status.ts';

/** How far a cart is toward a goal: minor units of the market's currency in the goal's basis, pieces, or grams. */
export interface GoalStanding {
  goalId: string;
  measure: 'value' | 'items' | 'weight';
  /** null: a code alone reaches it */
  target: number | null;
  counted: number;
  /** what must still be added: minor units at shown prices, pieces or grams; 0 when reached, null when no promise is made */
  remaining: number | null;
  /** what an article needs that the cart's discounts on certain goods treat best; null where it is the same */
  remainingAtBest: number | null;
  /** floor(100 × counted ÷ target); 100 only when reached */
  percent: number;
  /** by the amount or by a code, while the offer is in force */
  reached: boolean;
  /** a code stands for the amount */
  byCode: boolean;
}

export interface OfferStanding {
  offerId: string;
  status: OfferStatus;
  goals: GoalStanding[];
}

/** @param promises whether what must still be added is asked for; else `remaining` is null below a goal */
export function offerStanding(
  offer: CompiledOffer,
  facts: Facts,
  redemptions: Redemptions | undefined,
  promises = true,
): OfferStanding {
  const status = statusOf(offer, facts, redemptions);
  const byCode = codeStandsForAmount(offer, facts);
  const goals: GoalStanding[] = [];
  for (const goal of offer.goals) goals.push(goalStanding(goal, offer, { status, byCode, promises }, facts));
  return { offerId: offer.id, status, goals };
}

function goalStanding(
  goal: CompiledGoal,
  offer: CompiledOffer,
  { status, byCode: codeEntered, promises }: { status: OfferStatus; byCode: boolean; promises: boolean },
  facts: Facts,
): GoalStanding {
  const { id: goalId, target, counts } = goal;
  const counted = countedToward(counts, facts.cart);
  const inForce = status === 'inForce';
  const enough = target !== null && counted >= target;
  const byCode = inForce && codeEntered && !enough;
  const measure = counts.kind;
  if (inForce && (enough || byCode))
    return {
      goalId,
      measure,
      target,
      counted,
      remaining: 0,
      remainingAtBest: null,
      percent: 100,
      reached: true,
      byCode,
    };
  const percent = target === null || target === 0 ? 0 : Math.min(99, Math.floor((100 * counted) / target));
  const promise = promises && inForce && target !== null ? remainderOf(offer, counts, counted, target, facts) : null;
  return {
    goalId,
    measure,
    target,
    counted,
    remaining: promise?.remaining ?? null,
    remainingAtBest: promise?.atBest ?? null,
    percent,
    reached: false,
    byCode: false,
  };
}
