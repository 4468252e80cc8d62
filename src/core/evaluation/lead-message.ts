import type { Measures } from '../cart/measures.ts';
import type { CompiledZone } from './compile.ts';
import type { Evaluation, LeadMessage, OptionPrice } from './evaluation.ts';

/**
 * The one message that leads everywhere: the highest-priority offer that is not yet fully reached, else the best
 * reached one (2-domain §8). Where no option can be chosen no promise is made.
 */
export function leadMessage(zone: CompiledZone, measures: Measures, evaluation: Evaluation): LeadMessage | null {
  if (evaluation.options.length === 0) return null;
  let reachedLead: LeadMessage | null = null;
  for (let i = 0; i < zone.offers.length; i++) {
    const offer = zone.offers[i]!;
    const standing = evaluation.offers[i]!;
    const ahead = standing.goals.findIndex((goal) => !goal.reached);
    const index = ahead >= 0 ? ahead : standing.goals.length - 1;
    const goal = standing.goals[index]!;
    const optionPrice = lowestPrice(evaluation.options, offer.goals[index]!.options);
    if (optionPrice === null) continue;
    const message: LeadMessage = {
      offerId: offer.id,
      goalId: goal.goalId,
      state: goal.reached ? 'reached' : 'progress',
      arguments: {
        remaining: goal.remaining,
        goal: goal.target,
        counted: goal.counted,
        percent: goal.percent,
        items: measures.items,
        optionPrice,
      },
    };
    if (!goal.reached) return message;
    reachedLead ??= message;
  }
  return reachedLead;
}

function lowestPrice(options: readonly OptionPrice[], rewarded: ReadonlySet<string>): number | null {
  let lowest: number | null = null;
  for (const { optionId, after } of options) if (rewarded.has(optionId) && (lowest === null || after < lowest)) lowest = after;
  return lowest;
}
