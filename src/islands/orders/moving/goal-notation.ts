import type { GoalMeasure } from '../../../core/goal-moves/measured-orders.ts';
import type { MoveNotation } from '../../../core/goal-moves/move-in-words.ts';
import type { Notation } from '../../page/page-context.tsx';
import { wordsFor } from '../words.ts';

/** How goals of a measure, shares and numbers of orders are written. */
export function goalNotation({ locale, money }: Notation, measure: GoalMeasure, currency: string): MoveNotation {
  const whole = new Intl.NumberFormat(locale);
  const share = new Intl.NumberFormat(locale, { style: 'percent', maximumFractionDigits: 1 });
  return {
    goal: (value) =>
      measure === 'value' ? money(value, currency) : `${whole.format(value)} ${value === 1 ? 'piece' : 'pieces'}`,
    share: (value) => share.format(value),
    orders: wordsFor(locale).about,
  };
}
