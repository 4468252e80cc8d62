import { exampleThat } from '../../example-that.ts';
import type { FindingKind } from '../../kind.ts';
import { placeMemo } from '../../../evaluation/zone-memo.ts';
import { zonesOf } from '../../zones-of.ts';
import type { CompiledOption } from '../../../options/compile-option.ts';
import { isWithin } from '../../../time/schedule.ts';
import type { Catalogue } from '../../../catalogue/product.ts';

/** A cart of a covered destination that cannot get any of its options. */
export const nothingToChoose: FindingKind = {
  kind: 'nothingToChoose',
  called: 'carts without anything to choose',
  stop: 'delivery',
  find: ({ compiled, catalogue, now }) =>
    zonesOf(compiled).flatMap((zone) => {
      const shown = known(compiled, zone, catalogue, now);
      if (!shown) return [];
      const { product, quantity, cart } = shown;
      const goods = quantity === 1 ? `a single “${product.name}”` : `${quantity} of “${product.name}”`;
      return [
        {
          severity: quantity === 1 ? ('wrong' as const) : ('risky' as const),
          at: `/zones/${zone.id}`,
          marketId: zone.market.id,
          sentence: `In “${zone.zone.name}” a guest who buys ${goods} cannot check out: none of its options applies.`,
          example: cart,
          remedy: null,
        },
      ];
    }),
};

/** Whether every cart gets an option at a moment. */
const isForAll = ({ when, channels, span, staysOffered }: CompiledOption, now: number): boolean =>
  when === null && channels === null && staysOffered && isWithin(span, now);

const known = placeMemo((compiled, zone, catalogue: Catalogue, now: number) =>
  zone.options.length === 0 || zone.options.some((option) => isForAll(option, now))
    ? null
    : exampleThat(
        { compiled, catalogue, now },
        zone,
        'Nothing to choose',
        ({ noOptions }) => noOptions === 'noneApplies',
      ),
);
