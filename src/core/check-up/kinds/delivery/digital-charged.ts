import { priceIn } from '../../../catalogue/product-amount.ts';
import type { Product } from '../../../catalogue/product.ts';
import type { FindingKind } from '../../kind.ts';
import type { Found } from '../../finding.ts';
import { exampleCart } from '../../example-cart.ts';
import { somewhereIn } from '../../../evaluation/somewhere-in.ts';
import { zonesOf } from '../../zones-of.ts';

/**
 * A product that is delivered although everything else in one of its categories is not, such as a voucher among vouchers: a
 * cart with nothing else is charged, or stopped where no option takes it.
 */
export const digitalCharged: FindingKind = {
  kind: 'digitalCharged',
  called: 'digital goods that are charged',
  stop: 'delivery',
  find: ({ compiled, catalogue }) => {
    const products = [...catalogue.values()];
    const zones = zonesOf(compiled).filter(({ options }) => options.length > 0);
    return products.flatMap((product): Found[] => {
      const category = digitalCategory(product, products);
      const zone = zones.find(({ market }) => priceIn(product, market.terms) !== undefined);
      if (category === null || !zone) return [];
      const there = somewhereIn(compiled, zone);
      return [
        {
          severity: 'risky',
          at: `/products/${product.id}`,
          marketId: null,
          sentence: `“${product.name}” is delivered, but nothing else in “${category}” is: a cart with it alone asks for delivery.`,
          example:
            there &&
            exampleCart(zone.market, there, { name: 'Nothing to deliver?', lines: [{ product, quantity: 1 }] }),
          remedy: null,
        },
      ];
    });
  },
};

/** A category of a product that is delivered, in which at least two others are and none of them is. */
function digitalCategory(
  { id, needsDelivery, categories, weightGrams }: Product,
  products: readonly Product[],
): string | null {
  if (!needsDelivery || (weightGrams ?? 0) > 0) return null;
  return (
    categories.find((category) => {
      const others = products.filter((other) => other.id !== id && other.categories.includes(category));
      return others.length > 0 && others.every((other) => !other.needsDelivery);
    }) ?? null
  );
}
