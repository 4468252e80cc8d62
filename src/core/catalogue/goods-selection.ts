import { amountIn, type MarketTerms } from '../markets/terms.ts';
import type { GoodsSelection } from '../policy/types.ts';
import type { Product } from './product.ts';

/** A choice of goods ready to be asked. */
export interface CompiledSelection {
  products: ReadonlySet<string>;
  categories: ReadonlySet<string>;
  tags: ReadonlySet<string>;
  /** no product, category or tag is named, so that only the price decides */
  anyGoods: boolean;
  /** least price of a piece as shown, minor units */
  priceFrom: number;
  /** a piece costs less than this */
  priceBelow: number;
}

/** A price bound without an amount in this market selects nothing there, as a missing fact makes a condition false. */
export function compileSelection(goods: GoodsSelection, terms: MarketTerms): CompiledSelection {
  const from = goods.unitPriceFrom ? amountIn(goods.unitPriceFrom, terms) : 0;
  const below = goods.unitPriceBelow ? amountIn(goods.unitPriceBelow, terms) : Infinity;
  return {
    products: new Set(goods.products),
    categories: new Set(goods.categories),
    tags: new Set(goods.tags),
    anyGoods: !goods.products && !goods.categories && !goods.tags,
    priceFrom: from ?? Infinity,
    priceBelow: below ?? 0,
  };
}

/** @param unitPrice of a piece as shown, minor units */
export function selects(selection: CompiledSelection, product: Product, unitPrice: number): boolean {
  if (unitPrice < selection.priceFrom || unitPrice >= selection.priceBelow) return false;
  if (selection.anyGoods || selection.products.has(product.id)) return true;
  for (const category of product.categories) if (selection.categories.has(category)) return true;
  for (const tag of product.tags) if (selection.tags.has(tag)) return true;
  return false;
}
