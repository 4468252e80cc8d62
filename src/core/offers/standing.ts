import type { Measures } from '../cart/measures.ts';
import type { CompiledGoal, CompiledOffer } from '../evaluation/compile.ts';

/** How far a cart is toward a goal. Amounts in minor units of the market's currency. */
export interface GoalStanding {
  goalId: string;
  target: number;
  counted: number;
  /** what must still be added at shown prices; 0 when reached */
  remaining: number;
  /** floor(100 × counted ÷ target); 100 only when reached */
  percent: number;
  reached: boolean;
}

export interface OfferStanding {
  offerId: string;
  goals: GoalStanding[];
}

/**
 * The honest remainder (2-domain §7): the goal's basis is what shoppers see, so adding an item priced at
 * `remaining` reaches the goal and one minor unit less does not.
 */
export function standingOf(goal: CompiledGoal, measures: Measures): GoalStanding {
  const counted = measures.countedValue;
  const reached = counted >= goal.target;
  return {
    goalId: goal.id,
    target: goal.target,
    counted,
    remaining: reached ? 0 : goal.target - counted,
    percent: reached ? 100 : Math.floor((100 * counted) / goal.target),
    reached,
  };
}

export function offerStanding(offer: CompiledOffer, measures: Measures): OfferStanding {
  return { offerId: offer.id, goals: offer.goals.map((goal) => standingOf(goal, measures)) };
}
