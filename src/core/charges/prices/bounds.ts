import { atMostLargest } from '../../money/rounding.ts';
import type { Fault } from '../../policy/fault.ts';
import type { LocalAmount } from '../../policy/types.ts';
import { money, type TraceValue } from '../../trace/trace.ts';
import type { DecisionPath } from '../charge-input.ts';
import type { PricePart, PriceWords } from './price-kind.ts';

/** What several kinds have in common: a price is kept between a least and a most. */
interface Bounded {
  min?: LocalAmount;
  max?: LocalAmount;
}

/** Minor units; without a most it is Infinity. */
export interface Bounds {
  min: number;
  max: number;
}

export const boundsSchema = { min: { $ref: '#/$defs/localAmount' }, max: { $ref: '#/$defs/localAmount' } };

export const compileBounds = ({ min, max }: Bounded, minor: (amount: LocalAmount) => number): Bounds => ({
  min: min ? minor(min) : 0,
  max: max ? minor(max) : Infinity,
});

export function bounded({ min, max }: Bounds, price: number, path: DecisionPath): number {
  if (path !== null) path.push(price >= max ? 2 : Number(price > min));
  return atMostLargest(Math.min(max, Math.max(min, price)));
}

/** As traces say them; adds them to what the sentence mentions. */
export function sayBounds({ min, max }: Bounds, inputs: Record<string, TraceValue>): string {
  inputs.min = money(min);
  if (max !== Infinity) inputs.max = money(max);
  return `${min > 0 ? ', at least {min}' : ''}${max !== Infinity ? ', at most {max}' : ''}`;
}

export const boundsInWords = ({ min, max }: Bounded, words: PriceWords): string =>
  `${min ? `, at least ${words.amount(min)}` : ''}${max ? `, at most ${words.amount(max)}` : ''}`;

export const boundsParts = ({ min, max }: Bounded): PricePart[] => [
  ', at least ',
  { field: 'amount', at: ['min'], name: 'Minimum', value: min, empty: 'nothing' },
  ', at most ',
  { field: 'amount', at: ['max'], name: 'Maximum', value: max, empty: 'anything' },
];

export function checkBounds(
  bounds: Bounded,
  amount: (local: LocalAmount, pointer: string) => number | null,
  at: string,
  fault: Fault,
): void {
  const min = bounds.min ? amount(bounds.min, `${at}/min`) : null;
  const max = bounds.max ? amount(bounds.max, `${at}/max`) : null;
  if (min !== null && max !== null && max < min) fault(`${at}/max`, 'must not be less than min');
}
