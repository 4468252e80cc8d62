import type { Facts } from '../conditions/facts.ts';
import { percentOf } from '../money/rounding.ts';
import type { CompiledGoal, CompiledOffer } from '../offers/compile-offer.ts';
import type { GoalStanding, OfferStanding } from '../offers/standing.ts';
import type { ZoneContext } from './context.ts';
import type { Evaluation, LeadMessage, MessageState, OptionPrice } from './evaluation.ts';

/** Why an offer says nothing to this shopper. */
export type Silence = 'notYet' | 'over' | 'needsCode' | 'notForShopper' | 'usedUp' | 'nothingToGive' | 'noPromise' | 'freeAlready';

/** What an offer would say if it led, or why it says nothing. */
export type Voice = { message: LeadMessage } | { silent: Silence };

/**
 * The one message that leads everywhere: the highest-priority offer that is for this shopper and not yet fully
 * reached, else the best reached one, else one that the shopper misses out on and that has a wording for it
 * (2-domain §8). Where no option can be chosen, or no honest promise can be made, none is; and what the shopper has
 * for nothing already is not promised again.
 */
export function leadMessage({ zone, standings, facts }: ZoneContext, evaluation: Evaluation): LeadMessage | null {
  if (evaluation.options.length === 0) return null;
  let reachedLead: LeadMessage | null = null;
  let missedLead: LeadMessage | null = null;
  for (let i = 0; i < zone.offers.length; i++) {
    const voice = voiceOf(zone.offers[i]!, standings[i]!, facts, evaluation.options);
    if ('silent' in voice) continue;
    const { message } = voice;
    if (message.state === 'missedOut') missedLead ??= message;
    else if (message.state === 'reached') reachedLead ??= message;
    else return message;
  }
  return reachedLead ?? missedLead;
}

/** What each offer of the zone would say, in the order in which they are asked. */
export function voicesOf({ zone, standings, facts }: ZoneContext, options: readonly OptionPrice[]): { offerId: string; voice: Voice }[] {
  return zone.offers.map((offer, index) => ({ offerId: offer.id, voice: voiceOf(offer, standings[index]!, facts, options) }));
}

function voiceOf(offer: CompiledOffer, standing: OfferStanding, facts: Facts, options: readonly OptionPrice[]): Voice {
  const { status } = standing;
  const missed = status === 'notForShopper' || status === 'usedUp';
  if (missed ? !offer.saysMissedOut : status !== 'inForce') return silences[status as Silence];
  const ahead = standing.goals.findIndex((goal) => !goal.reached);
  const index = ahead >= 0 && !missed ? ahead : standing.goals.length - 1;
  const goal = standing.goals[index]!;
  const compiled = offer.goals[index]!;
  const optionPrice = lowestPrice(options, compiled.options);
  if (optionPrice === null && compiled.options.size > 0) return silences.nothingToGive;
  if (!missed) {
    if (goal.remaining === null) return silences.noPromise;
    if (!goal.reached && isFreeAlready(options, compiled)) return silences.freeAlready;
  }
  const state = missed ? 'missedOut' : goal.reached ? 'reached' : stateAhead(offer, standing.goals, index);
  const { target, counted, percent, remaining, measure } = goal;
  return {
    message: {
      offerId: offer.id,
      goalId: goal.goalId,
      state,
      arguments: {
        measure,
        remaining: remaining ?? 0,
        goal: target ?? 0,
        counted,
        percent,
        items: facts.cart.measures.items,
        optionPrice,
        reward: compiled.rewards[0]?.kind ?? 'none',
        deadline: Number.isFinite(offer.span.until) ? offer.span.until : null,
        code: offer.codes.size === 0 ? null : codeOf(offer.codes, facts),
      },
    },
  };
}

const silences = Object.fromEntries(
  (['notYet', 'over', 'needsCode', 'notForShopper', 'usedUp', 'nothingToGive', 'noPromise', 'freeAlready'] satisfies Silence[]).map((silent) => [silent, { silent }]),
) as Record<Silence, { silent: Silence }>;

/** Of a batch of codes none can be named to somebody who has not entered one. */
function codeOf(codes: ReadonlySet<string>, { cart }: Facts): string | null {
  for (const code of cart.codes) if (codes.has(code)) return code;
  return codes.size === 1 ? [...codes][0]! : null;
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
