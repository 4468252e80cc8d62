import { same } from '../same.ts';
import type { Evaluation, LeadMessage, MessageState } from '../evaluation/evaluation.ts';

/** What is paid for an option after offers, minor units; null: it is not offered. */
export type Paid = number | null;

/** What somebody reads: whose text, in which state, toward which amount. */
export interface Read {
  speakerId: string;
  /** null: in several, one after the other */
  state: MessageState | null;
  goalId: string | null;
  /** what the goal asks for, in what it counts */
  target: number;
}

/** One thing that is otherwise for a cart. */
export type Difference =
  | { what: 'option'; optionId: string; was: Paid; is: Paid; wasBefore: Paid; isBefore: Paid }
  | { what: 'goal'; offerId: string; goalId: string; was: boolean; is: boolean }
  | { what: 'message'; was: Read | null; is: Read | null };

/** What an order is offered, and the goals in force that it reaches, as `offerId/goalId`. */
export interface Offered {
  options: readonly { optionId: string; before: number; after: number }[];
  reached: readonly string[];
}

export const offeredIn = ({ options, offers }: Evaluation): Offered => ({
  options,
  reached: offers.flatMap(({ offerId, status, goals }) =>
    status === 'inForce' ? goals.filter(({ reached }) => reached).map(({ goalId }) => `${offerId}/${goalId}`) : [],
  ),
});

/** What one order is offered otherwise, beside what is read; null: nobody delivers there. */
export function differencesOf(was: Offered | null, is: Offered | null): Difference[] {
  return [...options(was, is), ...goals(was, is)];
}

function options(was: Offered | null, is: Offered | null): Difference[] {
  const [before, after] = [was, is].map(
    (offered) => new Map(offered?.options.map((option) => [option.optionId, option] as const)),
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

function goals(was: Offered | null, is: Offered | null): Difference[] {
  const [before, after] = [new Set(was?.reached), new Set(is?.reached)];
  return [...new Set([...before, ...after])]
    .filter((goal) => before.has(goal) !== after.has(goal))
    .map((goal) => {
      const [offerId, goalId] = goal.split('/') as [string, string];
      return { what: 'goal', offerId, goalId, was: before.has(goal), is: after.has(goal) };
    });
}

/** Whether two lists say the same, but for the amounts: of the same options and goals, dearer or cheaper alike. */
export const sameButAmounts = (some: readonly Difference[], others: readonly Difference[]): boolean =>
  same(some.map(withoutAmounts), others.map(withoutAmounts));

function withoutAmounts(difference: Difference): unknown {
  if (difference.what !== 'option') return difference;
  const { what, optionId, was, is } = difference;
  return { what, optionId, goes: was === null || is === null ? [was === null, is === null] : Math.sign(is - was) };
}

/** Whether two lists say the same but for the states in which texts are read: of what was and is read of one speaker in one state. */
export const sameButStates = (some: readonly Difference[], others: readonly Difference[]): boolean =>
  [...some, ...others].every((one) => one.what !== 'message' || keepsState(one)) &&
  same(some.map(withoutState), others.map(withoutState));

const keepsState = ({ was, is }: Extract<Difference, { what: 'message' }>): boolean =>
  was === null || is === null || was.speakerId !== is.speakerId || was.state === is.state;

const stateless = (read: Read | null): Read | null => read && { ...read, state: null };

const withoutState = (difference: Difference): Difference =>
  difference.what === 'message'
    ? { ...difference, was: stateless(difference.was), is: stateless(difference.is) }
    : difference;

/** Of two lists that say the same but for states: without those that are not the same in both. */
export const withoutStates = (some: readonly Difference[], others: readonly Difference[]): Difference[] =>
  some.map((one, index) => (same(one, others[index]) ? one : withoutState(one)));

/** Read of the same, as far as it matters: whose text, in which state, toward which amount. */
export const readOf = ({ speakerId, state, goalId, arguments: { goal } }: LeadMessage): Read => ({
  speakerId,
  state,
  goalId,
  target: goal,
});
