import type { ChargeMeasure } from '../cart/charge-measure.ts';
import { measures } from '../cart/charge-measure.ts';
import { countInWords } from '../charges/count-in-words.ts';
import { formatMoney } from '../money/format.ts';
import { inOrder } from '../ordered.ts';
import type { Charge } from '../policy/types.ts';

/** Lines of a charge by their numbers, from 1. */
export const numbersOf = ({ lines }: Charge): Map<string, number> =>
  new Map(inOrder(lines).map(([line], index) => [line, index + 1]));

/** An amount of what a charge looks at. */
export const amountOf = (measure: ChargeMeasure, amount: number, currency: string, locale: string): string =>
  measure === 'goodsValue' ? formatMoney(amount, currency, locale) : countInWords(measure, amount);

/** What it is an amount of, where that does not tell. */
export const ofMeasure = (measure: ChargeMeasure): string => `of ${measures[measure].name}`;
