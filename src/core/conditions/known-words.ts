import type { Catalogue } from '../catalogue/product.ts';
import { inOrder } from '../ordered.ts';
import { conditionsOfOption, leaves } from './leaves.ts';
import { countryCodes } from '../places/country.ts';
import type { Condition, GoodsSelection, Policy } from '../policy/types.ts';
import type { LeafNode } from './compile-leaf.ts';

type WordFact = Extract<LeafNode, { kind: 'word' }>['fact'];

/** A word as conditions hold it, and as it is read. */
interface KnownWord {
  word: string;
  name: string;
}

/** Whether words other than those known make sense: what a shop hands in cannot be listed here. */
export const isOpen = (fact: WordFact): boolean =>
  fact.startsWith('shopper.') || fact === 'cart.code' || fact === 'cart.channel' || fact === 'destination.region';

/**
 * The words that a fact can have, as far as the store tells: countries by ISO 3166-1, markets, zones and currencies; of others
 * those that conditions, offers, options and test carts use already.
 */
export function knownWords(fact: WordFact, policy: Policy, countryName: (code: string) => string): KnownWord[] {
  const plain = (words: Iterable<string | undefined>) =>
    [...new Set(words)]
      .filter((word) => word !== undefined)
      .sort()
      .map((word) => ({ word, name: word }));
  switch (fact) {
    case 'destination.country':
      return countryCodes
        .map((word) => ({ word, name: countryName(word) }))
        .sort((a, b) => a.name.localeCompare(b.name));
    case 'destination.market':
      return inOrder(policy.markets).map(([word, { name }]) => ({ word, name }));
    case 'destination.zone':
      return inOrder(policy.zones).map(([word, { name }]) => ({ word, name }));
    case 'cart.currency':
      return plain(Object.values(policy.markets).map(({ currency }) => currency));
    default:
      return plain(usedWords(fact, policy));
  }
}

function usedWords(fact: WordFact, policy: Policy): (string | undefined)[] {
  const carts = Object.values(policy.testCarts);
  const inConditions = allConditions(policy)
    .flatMap((condition) => leaves(condition))
    .flatMap((node) => (node.kind === 'word' && node.fact === fact ? node.values : []));
  switch (fact) {
    case 'shopper.group':
      return [...inConditions, ...carts.flatMap(({ shopper }) => shopper?.groups ?? [])];
    case 'shopper.tag':
      return [...inConditions, ...carts.flatMap(({ shopper }) => shopper?.tags ?? [])];
    case 'shopper.individual':
      return [...inConditions, ...carts.map(({ shopper }) => shopper?.individual)];
    case 'cart.code':
      return [...inConditions, ...carts.flatMap(({ codes }) => codes ?? []).map((code) => code.toUpperCase())];
    case 'cart.channel':
      return [
        ...inConditions,
        ...carts.map(({ channel }) => channel),
        ...Object.values(policy.options).flatMap(({ channels }) => channels ?? []),
      ];
    default:
      return [...inConditions, ...carts.map(({ destination }) => destination.region)];
  }
}

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

/** Every condition that a policy holds, wherever it stands. */
export function allConditions(policy: Policy): Pick<Condition, 'conditions'>[] {
  return [
    ...Object.values(policy.qualifiers).map(({ condition }) => condition),
    ...Object.values(policy.options).flatMap(conditionsOfOption),
    ...Object.values(policy.offers).map(({ when }) => when),
  ].filter((condition) => condition !== undefined);
}
