import type { Found } from '../../finding.ts';
import type { FindingKind } from '../../kind.ts';

/** An offer that gives something in some zones of a market and nothing in others, because what it acts on is not there. */
export const rewardElsewhere: FindingKind = {
  kind: 'rewardElsewhere',
  called: 'offers that give nothing in some zones',
  stop: 'offers',
  find: ({ compiled }) =>
    [...compiled.markets.values()].flatMap(({ id: marketId, market, zones }) => {
      const open = zones.filter(({ options }) => options.length > 0);
      const having = new Map<string, Set<string>>();
      for (const zone of open)
        for (const { id } of zone.offers) having.set(id, (having.get(id) ?? new Set()).add(zone.id));
      return [...having].flatMap(([offerId, where]): Found[] => {
        const { name } = compiled.policy.offers[offerId]!;
        const without = open.filter(({ id }) => !where.has(id)).map(({ zone }) => `“${zone.name}”`);
        if (without.length === 0) return [];
        const named =
          without.length > 4
            ? `${without.slice(0, 3).join(', ')} and ${without.length - 3} more zones`
            : without.join(', ');
        return [
          {
            severity: 'remark',
            at: `/offers/${offerId}`,
            key: marketId,
            marketId,
            sentence: `“${name}” gives nothing in ${named} of “${market.name}”: none of the options there is among those it acts on.`,
            example: null,
            remedy: null,
          },
        ];
      });
    }),
};
