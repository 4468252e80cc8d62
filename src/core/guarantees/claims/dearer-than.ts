import type { Broken, ClaimOf, Looking } from '../claim.ts';
import { selectedIn, type Selected } from './selected.ts';

/** Where some or each of the options costs more than an amount. Between two starts prices rise or stay: the ends are looked at, too. */
export function dearerThan(
  most: number,
  { of, on }: Pick<ClaimOf<'free'>, 'of' | 'on'>,
  { along, stretches, money }: Looking,
): Broken | null {
  const selected = selectedIn(along, on);
  for (const { from, last } of stretches) {
    for (const value of [from, last]) {
      const [cheapest, dearest] = ends(selected, along.pricesAt(value));
      if (of === 'each' && dearest && dearest.after > most)
        return { value, says: `${dearest.name} costs ${money(dearest.after)}` };
      if (of === 'some' && !cheapest) return { value, says: 'none of them can be chosen' };
      if (of === 'some' && cheapest && cheapest.after > most)
        return { value, says: `the cheapest, ${cheapest.name}, costs ${money(cheapest.after)}` };
    }
  }
  return null;
}

interface Paid {
  name: string;
  after: number;
}

/** The cheapest and the dearest of some options; null where none of them can be chosen. */
function ends(
  selected: readonly Selected[],
  prices: readonly ({ after: number } | null)[],
): [cheapest: Paid | null, dearest: Paid | null] {
  let [cheapest, dearest]: [Paid | null, Paid | null] = [null, null];
  for (const { index, name } of selected) {
    const price = prices[index];
    if (!price) continue;
    if (!cheapest || price.after < cheapest.after) cheapest = { name, after: price.after };
    if (!dearest || price.after > dearest.after) dearest = { name, after: price.after };
  }
  return [cheapest, dearest];
}
