import { isCharged } from '../../../catalogue/product-amount.ts';
import { countInWords } from '../../../charges/count-in-words.ts';
import { exampleCart } from '../../example-cart.ts';
import { somewhereIn } from '../../../evaluation/somewhere-in.ts';
import type { Found } from '../../finding.ts';
import type { FindingKind } from '../../kind.ts';

/** A product of which a single piece is heavier, with its packaging, than a parcel may be: it travels alone, over the limit. */
export const pieceOverLimit: FindingKind = {
  kind: 'pieceOverLimit',
  called: 'pieces over a parcel’s limit',
  stop: 'delivery',
  find: ({ compiled, catalogue }) => {
    const found = new Map<string, Found>();
    for (const market of compiled.markets.values()) {
      for (const zone of market.zones) {
        for (const { id, option, charge } of zone.options) {
          const most = charge.weighing.packing?.mostGoods ?? Infinity;
          if (!Number.isFinite(most)) continue;
          for (const product of catalogue.values()) {
            const { weightGrams } = product;
            // What few products are is asked first: this is gone through for each product and each option.
            if (weightGrams === null || weightGrams <= most) continue;
            const key = `${product.id} ${most}`;
            if (found.has(key) || !isCharged(product, market.terms)) continue;
            const there = somewhereIn(compiled, zone);
            found.set(key, {
              severity: 'risky',
              at: `/products/${product.id}`,
              key: option.packing ? id : 'store',
              marketId: null,
              sentence: `A piece of “${product.name}” weighs ${countInWords('weight', weightGrams)}, and a parcel of “${option.name}” holds ${countInWords('weight', most)} at most: it travels alone, over the limit.`,
              example:
                there && exampleCart(market, there, { name: 'Over the limit', lines: [{ product, quantity: 1 }] }),
              remedy: null,
            });
          }
        }
      }
    }
    return [...found.values()];
  },
};
