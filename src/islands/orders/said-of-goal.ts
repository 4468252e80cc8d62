import { outcomeOf } from '../../core/orders/candidates.ts';
import type { Response } from '../../core/orders/response.ts';
import type { Tally } from '../../core/orders/tally.ts';
import type { Notation } from '../page/page-context.tsx';
import type { Moving } from './moving/use-moving.ts';
import { wordsFor } from './words.ts';

/** What one more goal at a value would do, in a few words for above the picture. */
export function saidOfOneMore(
  { tally, months, response }: { tally: Tally; months: number; response: Response },
  { locale, money }: Notation,
  currency: string,
): (value: number) => string {
  const { count } = wordsFor(locale);
  const round = (minor: number) => money(Math.round(minor), currency);
  return (value) => {
    const { goals, net, low, high } = outcomeOf(tally, months, response, [value]);
    return `${count(goals[0]!.within)} a month within reach · net ${round(net)} (${round(low)} to ${round(high)})`;
  };
}

/** What the goal moved to a value would do. */
export function saidOfMove(moving: Moving, { locale, money }: Notation, currency: string): (value: number) => string {
  const { count } = wordsFor(locale);
  const round = (minor: number) => money(Math.round(minor), currency);
  return (value) => {
    const { losing, gaining, net, low, high } = moving.outcomeOf(value);
    if (value === moving.present) return 'where the goal is in force';
    const who =
      losing >= gaining
        ? `${count(losing)} a month lose free delivery`
        : `${count(gaining)} a month gain free delivery`;
    return `${who} · net ${round(net)} (${round(low)} to ${round(high)})${moving.present === null ? '' : ' against now'}`;
  };
}
