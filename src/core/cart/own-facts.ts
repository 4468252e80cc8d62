import type { Product } from '../catalogue/product.ts';
import { ordinaryArticle } from './ordinary-article.ts';

type Told =
  | 'taxClass'
  | 'weightGrams'
  | 'sizeMm'
  | 'categories'
  | 'tags'
  | 'needsDelivery'
  | 'countsTowardGoals'
  | 'shipsFree'
  | 'preparationDays'
  | 'notTo';

/** What a shop says of the goods of a line by itself; it wins over the catalogue for that line (2-domain §13). */
export interface OwnFacts extends Partial<Pick<Product, Told>> {
  /** minor units of the market’s currency, with or without tax as the market shows prices */
  unitPrice?: number;
  /** what delivery of a piece costs instead of its part in the charge, the same */
  ownDelivery?: number;
}

/**
 * A product as a line brings it along.
 *
 * @param name under which the shop knows it, for one that is not in the catalogue
 * @param known as the catalogue has it; without, what is not said of it is as of an ordinary article whose weight and size nobody knows
 * @param market id of the market that its amounts are of; null: none sells there, and nothing will be priced
 */
export function withOwnFacts(
  name: string,
  known: Product | undefined,
  { unitPrice, ownDelivery, ...told }: OwnFacts,
  market: string | null,
): Product {
  const product = known ?? { ...ordinaryArticle, id: name, sku: name, name, weightGrams: null };
  const there = (amount: number): Record<string, number> => (market === null ? {} : { [market]: amount });
  return {
    ...product,
    ...told,
    ...(unitPrice === undefined ? {} : { prices: there(unitPrice) }),
    ...(ownDelivery === undefined ? {} : { ownDelivery: there(ownDelivery) }),
  };
}
