import type { OrderColumns } from '../orders/columns.ts';
import type { Window } from './matched-weeks.ts';

/**
 * What delivery by each option usually costs: the average of what orders in some windows paid for it, those that paid nothing
 * left out. The same price serves before and after a change, so that a price that moved does not look like a gift.
 *
 * @returns by the option’s place, minor units; of an option that nobody paid for the average over all, NaN where nobody paid at all
 */
export function usualPrices(
  { count, day, delivery, option, options }: OrderColumns,
  windows: readonly Window[],
): Float64Array {
  const sums = new Float64Array(options.length);
  const paying = new Float64Array(options.length);
  let [sum, all] = [0, 0];
  for (let index = 0; index < count; index++) {
    if (delivery[index]! <= 0 || !windows.some(({ from, to }) => day[index]! >= from && day[index]! < to)) continue;
    sums[option[index]!]! += delivery[index]!;
    paying[option[index]!]!++;
    sum += delivery[index]!;
    all++;
  }
  return sums.map((paid, place) => (paying[place]! > 0 ? paid / paying[place]! : sum / all));
}
