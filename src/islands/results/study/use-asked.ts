import { useMemo } from 'react';
import { orderValueGoals } from '../../../core/offers/order-value-goals.ts';
import { usualAssumption } from '../../../core/orders/response.ts';
import { changedWithin, changesIn, goalsOver, type DatedStep } from '../../../core/results/changes-of-market.ts';
import { goalOn, type ChangeQuestion, type Windows } from '../../../core/results/study-change.ts';
import { usePolicy } from '../../page/draft-context.tsx';
import { useRelease } from '../../page/page-context.tsx';
import type { ChosenChange } from './chosen-change.ts';
import type { OtherMarket } from './use-change.ts';

/** What is asked of the orders of a market, and of those that it is compared with. */
export interface Asking {
  question: ChangeQuestion;
  goals: { before: number | null; after: number | null };
  /** null: compared with none by choice */
  others: OtherMarket[] | null;
}

export function useAsked(
  market: string,
  { since, beside }: ChosenChange,
  windows: Windows | null,
  steps: readonly DatedStep[],
): Asking | null {
  const draft = usePolicy();
  const release = useRelease();
  return useMemo(() => {
    if (!windows) return null;
    // What shoppers have had; before the first release there is only the draft.
    const policy = release?.policy ?? draft;
    const questionOf = (of: string, offer: string | null): ChangeQuestion => {
      const goals = orderValueGoals(policy, of);
      const offerId = offer ?? goals[0]?.offerId ?? '';
      const now = goals.find((goal) => goal.offerId === offerId)?.value ?? null;
      const { margin } = draft.assumptions?.[of] ?? usualAssumption;
      return { windows, goals: goalsOver(changesIn(steps, of), offerId, now), margin: Number(margin) / 100 };
    };
    const question = questionOf(market, since?.kind === 'change' ? since.change.offer : null);
    const inForce = goalOn(question.goals);
    const candidates = Object.keys(draft.markets).filter((other) => other !== market);
    const wanted =
      typeof beside === 'object'
        ? candidates.filter((other) => other === beside.market)
        : candidates.filter((other) => !changedWithin(steps, other, windows));
    return {
      question,
      goals: { before: inForce(windows.before.to - 1), after: inForce(windows.after.from) },
      others: beside === 'none' ? null : wanted.map((other) => ({ market: other, question: questionOf(other, null) })),
    };
  }, [draft, release, market, since, beside, windows, steps]);
}
