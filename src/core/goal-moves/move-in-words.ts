import type { MoveOutcome } from './move.ts';

/** How the person who reads writes. */
export interface MoveNotation {
  /** a goal: an amount, or pieces */
  goal: (value: number) => string;
  /** a share, with a decimal */
  share: (share: number) => string;
  /** a number of orders */
  orders: (count: number) => string;
}

/** What a move has to reckon with: the share of orders lost, or won, at which it neither costs nor brings. */
export function breakEvenInWords(outcome: MoveOutcome, notation: MoveNotation): string {
  const { present, candidate, losing, gaining } = outcome;
  if (present === candidate) return '';
  if (losing >= gaining) return lostInWords(outcome, notation);
  return wonInWords(outcome, notation);
}

function lostInWords(
  { present, candidate, losing, breakEvenLost, net }: MoveOutcome,
  { goal, share, orders }: MoveNotation,
): string {
  if (present === null || losing === 0) return '';
  const what = candidate === null ? 'Dropping it' : `Raising it to ${goal(candidate)}`;
  const who =
    candidate === null
      ? `${orders(losing)} orders a month that lose free delivery`
      : `${orders(losing)} orders a month between ${goal(present)} and ${goal(candidate)}`;
  if (breakEvenLost !== null)
    return `${what} pays as long as fewer than ${share(breakEvenLost)} of the ${who} stay away.`;
  return net > 0
    ? `${what} would pay even if all of the ${who} stayed away.`
    : `${what} costs even if none of the ${who} stays away.`;
}

function wonInWords(
  { present, candidate, gaining, breakEvenWon, net }: MoveOutcome,
  { goal, share, orders }: MoveNotation,
): string {
  if (candidate === null || gaining === 0) return '';
  const what = present === null ? `A goal at ${goal(candidate)}` : `Lowering it to ${goal(candidate)}`;
  const who = `${orders(gaining)} orders a month that gain free delivery`;
  if (breakEvenWon !== null) return `${what} pays once more than ${share(breakEvenWon)} as many come as the ${who}.`;
  return net > 0
    ? `${what} pays even if none comes beside the ${who}.`
    : `${what} costs even if as many again come as the ${who}.`;
}
