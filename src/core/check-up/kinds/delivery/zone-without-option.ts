import { exampleCart } from '../../example-cart.ts';
import { somewhereIn } from '../../../evaluation/somewhere-in.ts';
import type { FindingKind } from '../../kind.ts';

/** A zone that is on and has no option that is on. */
export const zoneWithoutOption: FindingKind = {
  kind: 'zoneWithoutOption',
  called: 'zones without an option',
  stop: 'delivery',
  find: ({ compiled }) =>
    [...compiled.markets.values()].flatMap((market) =>
      market.zones
        .filter(({ options }) => options.length === 0)
        .map((zone) => {
          const { id } = zone;
          const { name } = zone.zone;
          const there = somewhereIn(compiled, zone);
          return {
            severity: 'wrong',
            at: `/zones/${id}`,
            marketId: market.id,
            sentence: `“${name}” has no delivery option that is on: nobody there can check out.`,
            example: there && exampleCart(market, there, { name: `To ${name}` }),
            remedy: null,
          };
        }),
    ),
};
