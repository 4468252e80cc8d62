import { percentOf } from '../money/rounding.ts';
import type { CompiledGoal, CompiledOffer } from '../offers/compile-offer.ts';
import type { GoalStanding } from '../offers/standing.ts';
import type { ZoneContext } from './context.ts';
import type { Evaluation, LeadMessage, MessageState, OptionPrice } from './evaluation.ts';

/**
 * The one message that leads everywhere: the highest-priority offer that is for this shopper and not yet fully
 * reached, else the best reached one, else one that the shopper misses out on and that has a wording for it
 * (2-domain §8). Where no option can be chosen, or no honest promise can be made, none is; and what the shopper has
 * for nothing already is not promised again.
 */
export function leadMessage({ zone, standings, facts }: ZoneContext, evaluation: Evaluation): LeadMessage | null {
  if (evaluation.options.length === 0) return null;
  const { items } = facts.cart.measures;
  let reachedLead: LeadMessage | null = null;
  let missedLead: LeadMessage | null = null;
  for (let i = 0; i < zone.offers.length; i++) {
    const offer = zone.offers[i]!;
    const standing = standings[i]!;
    const missed = standing.status === 'notForShopper' || standing.status === 'usedUp';
    if (!missed && standing.status !== 'inForce') continue;
    if (missed && (missedLead || !offer.saysMissedOut)) continue;
    const ahead = standing.goals.findIndex((goal) => !goal.reached);
    const index = ahead >= 0 && !missed ? ahead : standing.goals.length - 1;
    const goal = standing.goals[index]!;
    const optionPrice = lowestPrice(evaluation.options, offer.goals[index]!.options);
    if (optionPrice === null && offer.goals[index]!.options.size > 0) continue;
    if (!missed && (goal.remaining === null || (!goal.reached && isFreeAlready(evaluation.options, offer.goals[index]!)))) continue;
    const state = missed ? 'missedOut' : goal.reached ? 'reached' : stateAhead(offer, standing.goals, index);
    const { target, counted, percent, remaining, measure } = goal;
    const message: LeadMessage = {
      offerId: offer.id,
      goalId: goal.goalId,
      state,
      arguments: { measure, remaining: remaining ?? 0, goal: target ?? 0, counted, percent, items, optionPrice },
    };
    if (state === 'missedOut') missedLead = message;
    else if (state === 'reached') reachedLead ??= message;
    else return message;
  }
  return reachedLead ?? missedLead;
}

function stateAhead({ nearly }: CompiledOffer, goals: readonly GoalStanding[], index: number): MessageState {
  const { counted, remaining, target, measure } = goals[index]!;
  if (goals.some(({ reached }) => reached)) return 'onward';
  if (counted === 0) return 'invite';
  if (nearly === null) return 'progress';
  if ('amount' in nearly && measure !== 'value') return 'progress';
  const near = 'share' in nearly ? percentOf(target!, nearly.share) : nearly.amount;
  return remaining! <= near ? 'nearly' : 'progress';
}

/** Whether all that a goal would give is delivery that costs nothing now. */
function isFreeAlready(options: readonly OptionPrice[], { options: rewarded, rewards }: CompiledGoal): boolean {
  if (rewards.some((reward) => !('options' in reward))) return false;
  for (const { optionId, after } of options) if (rewarded.has(optionId) && after > 0) return false;
  return true;
}

function lowestPrice(options: readonly OptionPrice[], rewarded: ReadonlySet<string>): number | null {
  let lowest: number | null = null;
  for (const { optionId, after } of options) if (rewarded.has(optionId) && (lowest === null || after < lowest)) lowest = after;
  return lowest;
}
