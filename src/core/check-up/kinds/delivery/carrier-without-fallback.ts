import { inOrder } from '../../../ordered.ts';
import type { Catalogue } from '../../../catalogue/product.ts';
import { alwaysPriced } from '../../../charges/compile-charge.ts';
import type { CompiledPolicy } from '../../../evaluation/compile.ts';
import { evaluate } from '../../../evaluation/evaluate.ts';
import { inputOfTestCart } from '../../../evaluation/test-cart-input.ts';
import type { TestCart } from '../../../policy/types.ts';
import { priceKindOf } from '../../../charges/prices/registry.ts';
import { exampleCart } from '../../example-cart.ts';
import { somewhereIn } from '../../../evaluation/somewhere-in.ts';
import type { Found } from '../../finding.ts';
import type { FindingKind } from '../../kind.ts';
import { placeMemo } from '../../../evaluation/zone-memo.ts';
import { zonesOf } from '../../zones-of.ts';

/** A price that waits for a carrier and has nothing to fall back on, so that its option goes away when the carrier is silent. */
export const carrierWithoutFallback: FindingKind = {
  kind: 'carrierWithoutFallback',
  called: 'carriers without a fallback',
  stop: 'delivery',
  find: ({ compiled, now }) => zonesOf(compiled).flatMap((zone) => known(compiled, zone, now)),
};

const known = placeMemo((compiled, zone, now: number) =>
  zone.options.flatMap(({ id, option, charge }) =>
    inOrder(option.charge.lines).flatMap(([line, { price }]): Found[] => {
      const { carrierOf, isCertain } = priceKindOf(price);
      const carrier = carrierOf(price);
      // Another line, or what holds when none applies, may stand in for it.
      if (carrier === null || isCertain(price) || alwaysPriced(charge)) return [];
      const there = somewhereIn(compiled, zone);
      const example = there && exampleCart(zone.market, there, { name: `${carrier} is silent` });
      const alone = example !== null && leavesNothing(compiled, example, now);
      const then = alone ? 'nothing is left to choose for certain' : 'it is not offered';
      return [
        {
          severity: alone ? 'wrong' : 'risky',
          at: `/options/${id}/charge/lines/${line}/price`,
          marketId: zone.market.id,
          sentence: `When “${carrier}” does not answer, “${option.name}” has no price to fall back on: ${then}.`,
          example,
          remedy: null,
        },
      ];
    }),
  ),
);

const noGoods: Catalogue = new Map();

/** Whether a cart has nothing to choose as long as no carrier answers. */
const leavesNothing = (compiled: CompiledPolicy, cart: TestCart, now: number): boolean =>
  evaluate(compiled, inputOfTestCart(cart, noGoods, now).input).options.length === 0;
