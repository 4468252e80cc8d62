import type { CompiledZone } from '../../../evaluation/compile.ts';
import { guestSweep } from '../../guest-sweep.ts';
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
        for (const [goal, rewards] of onDelivery(zone)) {
          const reached = swept.sweep.segments.filter((segment) => segment.reached.includes(goal));
          const given = zone.options.flatMap(({ id }, index) =>
            rewards.has(id) ? [reached.flatMap(({ options }) => options[index] ?? [])] : [],
          );
          // What is not offered to this guest at this moment may be to others.
          if (given.some((prices) => prices.length === 0)) continue;
          const changes = given.some((prices) => prices.some((price) => price.lastAfter < price.lastBefore));
          standing.set(goal, changes || standing.get(goal) === true);
        }
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

/** Goals that give nothing but delivery, and the options they give it on. */
const onDelivery = ({ offers }: CompiledZone): [string, ReadonlySet<string>][] =>
  offers.flatMap((offer) =>
    offer.goals
      .filter(({ rewards }) => rewards.every(({ acts }) => acts === 'onDelivery'))
      .map((goal): [string, ReadonlySet<string>] => [`${offer.id}/${goal.id}`, goal.options]),
  );
