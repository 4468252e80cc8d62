import type { Facts } from '../../asked.ts';
import { numberFact } from '../../forms/number.ts';

/** Pieces of each category that goods of the cart are in; goods of several count in each. */
function piecesByCategory({ cart }: Facts): Iterable<number> {
  const pieces = new Map<string, number>();
  for (const { product, quantity } of cart.lines)
    for (const category of product.categories) pieces.set(category, (pieces.get(category) ?? 0) + quantity);
  return pieces.values();
}

export const categoryQuantity = numberFact('category.quantity', {
  about: 'The cart',
  name: 'number of one category',
  also: 'category quantity pieces of the same kind three or more any one bundle',
  called: 'the pieces in some one category',
  unit: 'pieces',
  some: (facts, fits) => {
    for (const pieces of piecesByCategory(facts)) if (fits(pieces)) return true;
    return false;
  },
  measure: 'items',
  usual: 3,
});
