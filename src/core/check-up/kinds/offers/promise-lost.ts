import { formatMoney } from '../../../money/format.ts';
import { guestSweep, type GuestSweep } from '../../guest-sweep.ts';
import type { FindingKind } from '../../kind.ts';
import { zonesOf } from '../../zones-of.ts';

/** A goal that a guest has reached and no longer has from a higher amount on: the promise cannot be kept there. */
export const promiseLost: FindingKind = {
  kind: 'promiseLost',
  called: 'promises that are lost again',
  stop: 'offers',
  find: (examined) =>
    zonesOf(examined.compiled).flatMap((zone) => {
      const swept = guestSweep(examined, zone);
      const { market, zone: stated } = zone;
      const money = (minor: number) => formatMoney(minor, market.market.currency, examined.locale);
      return (swept ? lossesOf(swept) : []).map(({ goal, from, to }) => {
        const [offerId, goalId] = goal.split('/') as [string, string];
        const { name } = examined.compiled.policy.offers[offerId]!;
        return {
          severity: 'risky' as const,
          at: `/offers/${offerId}/goals/${goalId}`,
          key: zone.id,
          marketId: market.id,
          sentence: `In “${stated.name}” a guest gets “${name}” from ${money(from)}, but no longer from ${money(to)} on.`,
          example: null,
          remedy: null,
        };
      });
    }),
};

interface Loss {
  goal: string;
  /** where it is reached, and where it is lost */
  from: number;
  to: number;
}

const known = new WeakMap<GuestSweep, Loss[]>();

function lossesOf(swept: GuestSweep): Loss[] {
  let losses = known.get(swept);
  if (!losses) {
    losses = [];
    known.set(swept, losses);
    const since = new Map<string, number>();
    for (const { from, reached } of swept.sweep.segments) {
      for (const [goal, start] of since) {
        if (reached.includes(goal)) continue;
        losses.push({ goal, from: start, to: from });
        since.delete(goal);
      }
      for (const goal of reached) if (!since.has(goal)) since.set(goal, from);
    }
  }
  return losses;
}
