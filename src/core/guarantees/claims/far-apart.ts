import type { Ratio } from '../../money/ratio.ts';
import type { AcrossMarkets, Broken } from '../claim.ts';

const usualWithin = 20;

/** An amount in a market, minor units. */
export interface Amount {
  marketId: string;
  minor: number;
}

/** What a claim keeps of the one before it: the percentage. */
export const withinOf = (before: { kind: string } | null): number =>
  before && 'within' in before ? (before.within as number) : usualWithin;

/** The lowest and the highest of some amounts, where they are too far apart. */
export function farApart(
  amounts: readonly Amount[],
  within: number,
  what: string,
  { inBase, money }: AcrossMarkets,
): (Broken & { marketId: string }) | null {
  const compared = amounts.flatMap((amount) => {
    const base = inBase(amount.minor, amount.marketId);
    return base === null ? [] : [{ ...amount, base }];
  });
  const [lowest] = compared.sort((a, b) => compareRatios(a.base, b.base));
  const highest = compared.at(-1);
  if (!lowest || !highest) return null;
  const times = (ratio: Ratio, percent: number): Ratio => ({ ...ratio, numerator: ratio.numerator * BigInt(percent) });
  if (compareRatios(times(highest.base, 100), times(lowest.base, 100 + within)) <= 0) return null;
  return {
    marketId: highest.marketId,
    value: highest.minor,
    says: `${what} is ${money(highest.minor, highest.marketId)} in one market and ${money(lowest.minor, lowest.marketId)} in another`,
  };
}

const compareRatios = (a: Ratio, b: Ratio): number => {
  const difference = a.numerator * b.denominator - b.numerator * a.denominator;
  return Number(difference > 0n) - Number(difference < 0n);
};
