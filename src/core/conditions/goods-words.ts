import type { Catalogue } from '../catalogue/product.ts';
import type { GoodsSelection } from '../policy/types.ts';

/** Everything of a catalogue that goods are chosen by. */
export function goodsWords(
  catalogue: Catalogue,
): { field: 'products' | 'categories' | 'tags'; word: string; name: string }[] {
  const products = [...catalogue.values()];
  const plain = (field: 'categories' | 'tags') =>
    [...new Set(products.flatMap((product) => product[field]))].sort().map((word) => ({ field, word, name: word }));
  return [
    ...plain('categories'),
    ...plain('tags'),
    ...products.map(({ id, name }) => ({ field: 'products' as const, word: id, name })),
  ];
}

/** Goods with one more thing named, or one less; null when nothing would be left to choose by. */
export function withGoods(
  goods: GoodsSelection,
  field: 'products' | 'categories' | 'tags',
  word: string,
  add: boolean,
): GoodsSelection | null {
  const { [field]: before = [], ...others } = goods;
  const words = add ? [...new Set([...before, word])] : before.filter((other) => other !== word);
  const next = words.length > 0 ? { ...others, [field]: words } : others;
  return Object.keys(next).length > 0 ? next : null;
}
