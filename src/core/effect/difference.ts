import type { Evaluation, LeadMessage, MessageState } from '../evaluation/evaluation.ts';

/** What is paid for an option after offers, minor units; null: it is not offered. */
export type Paid = number | null;

/** What somebody reads: whose text, in which state, toward which amount. */
export interface Read {
  speakerId: string;
  state: MessageState;
  goalId: string | null;
  /** what the goal asks for, in what it counts */
  target: number;
}

/** One thing that is otherwise for a cart. */
export type Difference =
  | { what: 'option'; optionId: string; was: Paid; is: Paid; wasBefore: Paid; isBefore: Paid }
  | { what: 'goal'; offerId: string; goalId: string; was: boolean; is: boolean }
  | { what: 'message'; was: Read | null; is: Read | null };

/** What two evaluations of one cart differ in beside what is read; null: nobody delivers there. */
export function differencesOf(was: Evaluation | null, is: Evaluation | null): Difference[] {
  return [...options(was, is), ...goals(was, is)];
}

function options(was: Evaluation | null, is: Evaluation | null): Difference[] {
  const [before, after] = [was, is].map(
    (evaluation) => new Map(evaluation?.options.map((option) => [option.optionId, option] as const)),
  );
  const ids = new Set([...before!.keys(), ...after!.keys()]);
  return [...ids].flatMap((optionId): Difference[] => {
    const [a, b] = [before!.get(optionId), after!.get(optionId)];
    if (a && b && a.after === b.after && a.before === b.before) return [];
    return [
      {
        what: 'option',
        optionId,
        was: a?.after ?? null,
        is: b?.after ?? null,
        wasBefore: a?.before ?? null,
        isBefore: b?.before ?? null,
      },
    ];
  });
}

function goals(was: Evaluation | null, is: Evaluation | null): Difference[] {
  const [before, after] = [reachedIn(was), reachedIn(is)];
  return [...new Set([...before, ...after])]
    .filter((goal) => before.has(goal) !== after.has(goal))
    .map((goal) => {
      const [offerId, goalId] = goal.split('/') as [string, string];
      return { what: 'goal', offerId, goalId, was: before.has(goal), is: after.has(goal) };
    });
}

const reachedIn = (evaluation: Evaluation | null): ReadonlySet<string> =>
  new Set(
    evaluation?.offers.flatMap(({ offerId, status, goals: all }) =>
      status === 'inForce' ? all.filter(({ reached }) => reached).map(({ goalId }) => `${offerId}/${goalId}`) : [],
    ),
  );

/** Read of the same, as far as it matters: whose text, in which state, toward which amount. */
export const readOf = ({ speakerId, state, goalId, arguments: { goal } }: LeadMessage): Read => ({
  speakerId,
  state,
  goalId,
  target: goal,
});
