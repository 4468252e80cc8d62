import type { ClaimKind, ClaimOf } from '../claim.ts';
import { farApart, withinOf, type Amount } from './far-apart.ts';

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
