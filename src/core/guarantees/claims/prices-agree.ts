import type { ClaimKind, ClaimOf } from '../claim.ts';
import { optionInWords } from '../option-in-words.ts';
import { farApart, withinOf, type Amount } from './far-apart.ts';
import { keptOf, selectedIn } from './selected.ts';

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
