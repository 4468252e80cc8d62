import { inOrder } from '../../../ordered.ts';
import { priceKindOf } from '../../../charges/prices/registry.ts';
import { exampleCart, somewhereIn } from '../../example-cart.ts';
import type { FindingKind } from '../../kind.ts';

/** A price that waits for a carrier and has nothing to fall back on, so that its option goes away when the carrier is silent. */
export const carrierWithoutFallback: FindingKind = {
  kind: 'carrierWithoutFallback',
  called: 'carriers without a fallback',
  stop: 'delivery',
  find: ({ compiled }) =>
    [...compiled.markets.values()].flatMap((market) =>
      market.zones.flatMap((zone) =>
        zone.options.flatMap(({ id, option }) =>
          inOrder(option.charge.lines).flatMap(([line, { price }]) => {
            const { carrierOf, isCertain } = priceKindOf(price);
            const carrier = carrierOf(price);
            if (carrier === null || isCertain(price)) return [];
            const alone = zone.options.every((other) => other.id === id || !other.staysOffered);
            const there = somewhereIn(compiled, zone);
            const then = alone ? 'nothing is left to choose for certain' : 'it is not offered';
            return [
              {
                severity: alone ? 'wrong' : 'risky',
                at: `/options/${id}/charge/lines/${line}/price`,
                marketId: market.id,
                sentence: `When “${carrier}” does not answer, “${option.name}” has no price to fall back on: ${then}.`,
                example: there && exampleCart(market, there, { name: `${carrier} is silent` }),
                remedy: null,
              },
            ];
          }),
        ),
      ),
    ),
};
