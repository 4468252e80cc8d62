import { orderValueGoals } from '../../offers/order-value-goals.ts';
import { usualAssumption } from '../../orders/response.ts';
import type { OrderSpan } from '../../orders/study.ts';
import type { Policy } from '../../policy/types.ts';
import { changedWithin, changesIn, freeAround, goalsOver, type DatedStep } from '../changes-of-market.ts';
import { goalOn } from '../../orders/goal-timeline.ts';
import type { ChangeQuestion } from '../study-change.ts';
import { windowsAround } from '../windows-around.ts';
import { chosenChange, type ChosenChange } from './chosen-change.ts';

/** A market that another is compared with, and what its orders are worked out with. */
export interface OtherMarket {
  market: string;
  question: ChangeQuestion;
}

/** What is asked of the orders of a market, and of those that it is compared with. */
export interface Asking {
  question: ChangeQuestion;
  /** in force at the end of the days before the change and at the beginning of those after it, minor units; null: none */
  goals: { before: number | null; after: number | null };
  /** null: compared with none by choice */
  others: OtherMarket[] | null;
}

/** What the view of a market will ask first. */
export interface ExpectedResults extends OtherMarket {
  others: OtherMarket[];
}

/** What it is asked of. */
export interface AskedOf {
  draft: Policy;
  /** null: nothing has been released yet */
  released: Policy | null;
  /** what releases changed, newest first */
  steps: readonly DatedStep[];
  /** days since 1970-01-01 */
  today: number;
}

/** What is looked at in a market, the weeks that this comes to, and what is asked of the orders in them. */
export interface LookedAt {
  chosen: ChosenChange;
  /** null: there is not a whole week of orders on both sides */
  found: ReturnType<typeof windowsAround>;
  asking: Asking | null;
}

/**
 * What an address looks at in a market.
 *
 * @param span days with orders; null: none, and what is chosen is then taken to be chosen as if they went on to this day
 */
export function lookedAt(
  market: string,
  query: Readonly<Record<string, string>>,
  span: OrderSpan | null,
  of: AskedOf,
): LookedAt {
  const changes = changesIn(of.steps, market);
  const others = Object.keys(of.draft.markets).filter((other) => other !== market);
  const chosen = chosenChange(query, changes, { ...(span ?? { firstDay: 0, lastDay: of.today }), others });
  const { since, base, weeks } = chosen;
  const found =
    since && span
      ? windowsAround(since.day, {
          known: { from: span.firstDay, to: span.lastDay + 1 },
          free: freeAround(changes, since.day),
          base,
          weeks,
        })
      : null;
  return { chosen, found, asking: found && askingOf(market, chosen, found.windows, of) };
}

function askingOf(
  market: string,
  { since, beside }: ChosenChange,
  windows: ChangeQuestion['windows'],
  { draft, released, steps }: AskedOf,
): Asking {
  // What shoppers have had; before the first release there is only the draft.
  const policy = released ?? draft;
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
}
