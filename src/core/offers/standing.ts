import type { Facts } from '../conditions/facts.ts';
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
  /** floor(100 × counted ÷ target); 100 only when reached */
  percent: number;
  /** by the amount or by a code; gives its rewards only while the offer is in force */
  reached: boolean;
  /** a code stands for the amount */
  byCode: boolean;
}

export interface OfferStanding {
  offerId: string;
  status: OfferStatus;
  goals: GoalStanding[];
}

export function offerStanding(offer: CompiledOffer, facts: Facts, redemptions: Redemptions | undefined): OfferStanding {
  const status = statusOf(offer, facts, redemptions);
  const byCode = codeStandsForAmount(offer, facts);
  const goals: GoalStanding[] = [];
  for (const goal of offer.goals) goals.push(goalStanding(goal, offer, status, byCode, facts));
  return { offerId: offer.id, status, goals };
}

function goalStanding(goal: CompiledGoal, offer: CompiledOffer, status: OfferStatus, byCode: boolean, facts: Facts): GoalStanding {
  const { id: goalId, target } = goal;
  const counted = countedToward(goal.counts, facts.cart);
  const enough = target !== null && counted >= target;
  const reached = enough || byCode;
  let remaining: number | null = 0;
  if (!reached) remaining = status === 'inForce' && target !== null ? remainderIn(goal, offer, counted, target, facts) : null;
  const percent = reached ? 100 : target === null ? 0 : Math.floor((100 * counted) / target);
  return { goalId, measure: goal.counts.kind, target, counted, remaining, percent, reached, byCode: byCode && !enough };
}

function remainderIn({ counts }: CompiledGoal, offer: CompiledOffer, counted: number, target: number, facts: Facts): number | null {
  return counts.kind === 'value' ? remainderOf(offer, counts, counted, target, facts) : target - counted;
}
