import { cartOfHypotheticalOrder } from '../cart/hypothetical-cart.ts';
import { unitPriceOf } from '../cart/line-values.ts';
import { measureCart, type MeasuredCart } from '../cart/measures.ts';
import { ordinaryArticle } from '../cart/ordinary-article.ts';
import { ownDeliveryIn } from '../catalogue/product-amount.ts';
import type { Product } from '../catalogue/product.ts';
import { selects, type CompiledSelection } from '../catalogue/goods-selection.ts';
import type { Facts } from '../conditions/asked.ts';
import type { Counting } from './compile-offer.ts';

/** So many pieces of one article, each at a price as shown. */
export interface AddedGoods {
  product: Product;
  quantity: number;
  unitPrice: number;
  /** pieces more of an order that is only hypothetical: one along order value is one article, however dear */
  piecesMore: number;
}

/**
 * Goods that bring a cart what is missing toward a goal: more of what it has that the goal counts, else an ordinary article
 * among the goal's goods. An amount is brought by one article, or by as few as stay below the highest price of a piece that
 * counts; pieces at their price, or the least that counts; grams by one article of that weight.
 *
 * @param missing minor units as shown, pieces or grams
 * @returns null where no goods that count can bring it
 */
export function goodsThatBring(missing: number, { kind, goods }: Counting, cart: MeasuredCart): AddedGoods | null {
  const least = goods?.priceFrom ?? 0;
  const below = goods?.priceBelow ?? Infinity;
  if (least === Infinity || below <= least) return null;
  const like = likeLine(goods, cart);
  const product = { ...(like?.product ?? articleAmong(goods)), taxClass: 'standard' };
  if (kind === 'value') {
    // What costs nothing brings nothing.
    if (below <= 1) return null;
    const quantity = missing < below ? 1 : Math.ceil(missing / (below - 1));
    return {
      product,
      quantity,
      unitPrice: Math.max(least, Math.ceil(missing / quantity)),
      piecesMore: quantity === 1 ? 0 : quantity,
    };
  }
  const unitPrice = like?.unitPrice ?? least;
  if (kind === 'items') return { product, quantity: missing, unitPrice, piecesMore: missing };
  return { product: { ...product, weightGrams: missing }, quantity: 1, unitPrice, piecesMore: 0 };
}

/** A line whose goods count toward the goal and are delivered in the ordinary way. */
function likeLine(goods: CompiledSelection | null, cart: MeasuredCart): { product: Product; unitPrice: number } | null {
  if (cart.hypothetical) return null;
  for (let index = 0; index < cart.lines.length; index++) {
    const { product } = cart.lines[index]!;
    const unitPrice = unitPriceOf(cart, index);
    const ordinary =
      product.countsTowardGoals &&
      product.needsDelivery &&
      !product.shipsFree &&
      ownDeliveryIn(product, cart.terms) === undefined;
    if (ordinary && (goods === null || selects(goods, product, unitPrice))) return { product, unitPrice };
  }
  return null;
}

const first = (names: ReadonlySet<string>): string[] => [...names].slice(0, 1);

function articleAmong(goods: CompiledSelection | null): Product {
  if (goods === null || goods.anyGoods) return ordinaryArticle;
  const [id] = goods.products;
  return {
    ...ordinaryArticle,
    ...(id === undefined ? {} : { id }),
    categories: first(goods.categories),
    tags: first(goods.tags),
  };
}

/** The facts of a cart once goods have been added. */
export function withGoods(facts: Facts, { product, quantity, unitPrice, piecesMore }: AddedGoods): Facts {
  const { cart } = facts;
  const { terms, taxRates } = cart;
  if (cart.hypothetical) {
    const { value, items, weight } = cart.hypothetical;
    const more = {
      value: value + unitPrice * quantity,
      items: items + piecesMore,
      weight: weight + (product.weightGrams ?? 0) * quantity,
    };
    return {
      ...facts,
      cart: cartOfHypotheticalOrder({ ...cart.hypothetical, ...more }, terms, taxRates),
      delivered: null,
    };
  }
  const lines = [...cart.lines, { product: { ...product, prices: { [terms.id]: unitPrice } }, quantity }];
  return { ...facts, cart: measureCart({ ...cart.cart, lines }, terms, taxRates, facts.destination), delivered: null };
}
