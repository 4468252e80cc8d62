import { dayNumber } from '../../time/day.ts';
import type { MarketChange } from '../changes-of-market.ts';
import { isFigureId, type FigureId } from '../figures/registry.ts';
import type { Base } from '../windows-around.ts';

/** What results are looked at since. */
export type Since =
  | { kind: 'change'; change: MarketChange; day: number }
  /** a day that somebody chose, with the offer whose goal is laid on the orders where the market has any */
  | { kind: 'day'; day: number };

/** What the address says. */
export interface ChosenChange {
  since: Since | null;
  base: Base;
  /** null: as many as there are */
  weeks: number | null;
  beside: 'others' | 'none' | { market: string };
  figure: FigureId;
  step: 'day' | 'week';
}

/** How a change stands in the address. */
export const nameOfChange = ({ release, offer }: MarketChange): string => `${release}.${offer}`;

/**
 * @param changes of the market, newest first @param lastDay with orders; what has no whole week behind it is not chosen by itself
 * @param others markets that it can be compared with
 */
export function chosenChange(
  query: Readonly<Record<string, string>>,
  changes: readonly MarketChange[],
  { firstDay, lastDay, others }: { firstDay: number; lastDay: number; others: readonly string[] },
): ChosenChange {
  const { since = '', weeks = '', base, beside = '', figure = '', step } = query;
  return {
    since: sinceIn(since, changes, { firstDay, lastDay }),
    base: base === 'yearBefore' ? 'yearBefore' : 'before',
    weeks: /^[1-8]$/.test(weeks) ? Number(weeks) : null,
    beside: besideIn(beside, others),
    figure: isFigureId(figure) ? figure : 'orderValue',
    step: step === 'day' ? 'day' : 'week',
  };
}

function besideIn(text: string, others: readonly string[]): ChosenChange['beside'] {
  if (text === 'none') return 'none';
  return others.includes(text) ? { market: text } : 'others';
}

function sinceIn(
  text: string,
  changes: readonly MarketChange[],
  { firstDay, lastDay }: { firstDay: number; lastDay: number },
): Since | null {
  const day = dayNumber(text);
  if (day !== null) return { kind: 'day', day };
  const usual = changes.find((change) => change.day - firstDay >= 7 && lastDay - change.day >= 7) ?? changes[0];
  const change = changes.find((one) => nameOfChange(one) === text) ?? usual;
  if (change) return { kind: 'change', change, day: change.day };
  return lastDay > firstDay ? { kind: 'day', day: Math.max(firstDay, lastDay - 56) } : null;
}
