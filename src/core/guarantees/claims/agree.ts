import type { Ratio } from '../../money/ratio.ts';
import type { AcrossMarkets, Broken, ClaimKind, ClaimOf } from '../claim.ts';
import { optionInWords } from '../options-in-words.ts';
import { keptOf, selectedIn } from './selected.ts';

const usualWithin = 20;

export const goalsAgree: ClaimKind<ClaimOf<'goalsAgree'>> = {
  kind: 'goalsAgree',
  called: 'goals agree across markets',
  begin: (before) => ({ kind: 'goalsAgree', within: withinOf(before) }),
  says: ({ offer, within }, { offers }) =>
    `the goals of ${offer === undefined ? 'each offer' : `“${offers[offer]?.name ?? offer}”`} lie within ${within} % of each other, at adopted rates`,
  findAcross: ({ offer, within }, across) => {
    const goals = new Map<string, { name: string; amounts: Amount[] }>();
    for (const { zone } of across.zones) {
      for (const { id, offer: stated, goals: reached } of zone.offers) {
        if (offer !== undefined && id !== offer) continue;
        for (const goal of reached) {
          if (goal.counts.kind !== 'value' || goal.target === null) continue;
          const key = `${id}/${goal.id}`;
          let found = goals.get(key);
          if (!found) goals.set(key, (found = { name: `the goal of “${stated.name}”`, amounts: [] }));
          if (!found.amounts.some(({ marketId }) => marketId === zone.market.id))
            found.amounts.push({ marketId: zone.market.id, minor: goal.target });
        }
      }
    }
    for (const { name, amounts } of goals.values()) {
      const broken = farApart(amounts, within, name, across);
      if (broken) return broken;
    }
    return null;
  },
};

export const pricesAgree: ClaimKind<ClaimOf<'pricesAgree'>> = {
  kind: 'pricesAgree',
  called: 'prices agree across markets',
  begin: (before) => ({ kind: 'pricesAgree', on: keptOf(before).on, within: withinOf(before) }),
  says: ({ on, within }, policy) =>
    `the cheapest ${optionInWords(on, policy)} in the first zone of each market costs, before offers, within ${within} % of the others, at adopted rates`,
  findAcross: ({ on, within }, across) => {
    const amounts = across.zones.flatMap(({ zone, along, stretches }): Amount[] => {
      const [first] = stretches;
      if (zone !== zone.market.zones[0] || !first) return [];
      const prices = along.pricesAt(first.from);
      const offered = selectedIn(along, on).flatMap(({ index }) => prices[index]?.before ?? []);
      return offered.length > 0 ? [{ marketId: zone.market.id, minor: Math.min(...offered) }] : [];
    });
    return farApart(amounts, within, 'the cheapest', across);
  },
};

interface Amount {
  marketId: string;
  minor: number;
}

const withinOf = (before: { kind: string } | null): number =>
  before && 'within' in before ? (before.within as number) : usualWithin;

/** The lowest and the highest of some amounts, where they are too far apart. */
function farApart(
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
