import type { CompiledZone } from '../../../evaluation/compile.ts';
import { guestSweep, type GuestSweep } from '../../guest-sweep.ts';
import type { FindingKind } from '../../kind.ts';

/**
 * A goal in force for a guest that is reached by goods value and, wherever it is, takes nothing off any option: what it gives
 * costs nothing already, or another offer gives as much.
 */
export const rewardChangesNothing: FindingKind = {
  kind: 'rewardChangesNothing',
  called: 'rewards that change no price',
  stop: 'offers',
  find: (examined) =>
    [...examined.compiled.markets.values()].flatMap((market) => {
      const standing = new Map<string, boolean>();
      for (const zone of market.zones) {
        const swept = guestSweep(examined, zone);
        if (!swept) continue;
        for (const [goal, changes] of changesBy(swept)) standing.set(goal, changes || standing.get(goal) === true);
      }
      return [...standing]
        .filter(([, changes]) => !changes)
        .map(([goal]) => {
          const [offerId, goalId] = goal.split('/') as [string, string];
          const { name } = examined.compiled.policy.offers[offerId]!;
          return {
            severity: 'risky' as const,
            at: `/offers/${offerId}/goals/${goalId}`,
            key: market.id,
            marketId: market.id,
            sentence: `In “${market.market.name}” reaching a goal of “${name}” changes no price for a guest.`,
            example: null,
            remedy: null,
          };
        });
    }),
};

const known = new WeakMap<GuestSweep, [goal: string, changes: boolean][]>();

/** Of each goal of a zone that gives delivery whether reaching it changes a price; left out where that cannot be seen. */
function changesBy(swept: GuestSweep): [goal: string, changes: boolean][] {
  let found = known.get(swept);
  if (!found) known.set(swept, (found = onDelivery(swept.zone).flatMap(([goal, on]) => changedBy(goal, on, swept))));
  return found;
}

function changedBy(goal: string, on: ReadonlySet<string>, { zone, sweep }: GuestSweep): [string, boolean][] {
  const reached = sweep.segments.filter((segment) => segment.reached.includes(goal));
  const given = zone.options.flatMap(({ id }, index) =>
    on.has(id) ? [reached.flatMap(({ options }) => options[index] ?? [])] : [],
  );
  // What is not offered to this guest at this moment may be to others.
  if (given.some((prices) => prices.length === 0)) return [];
  return [[goal, given.some((prices) => prices.some((price) => price.lastAfter < price.lastBefore))]];
}

/** Goals that give nothing but delivery, and the options they give it on. */
const onDelivery = ({ offers }: CompiledZone): [string, ReadonlySet<string>][] =>
  offers.flatMap((offer) =>
    offer.goals
      .filter(({ rewards }) => rewards.every(({ acts }) => acts === 'onDelivery'))
      .map((goal): [string, ReadonlySet<string>] => [`${offer.id}/${goal.id}`, goal.options]),
  );
