import type { Policy, TestCart } from '../policy/types.ts';
import type { KnownWord } from './fact.ts';
import { conditionsIn, leaves } from './leaves.ts';

/** Any word that a shop may hand in: what it has cannot be listed here. */
export const anyWord = (text: string): string | null => (text.length <= 60 ? text : null);

/** Words that are read as they are written, each once. */
export const plainWords = (words: Iterable<string | undefined>): KnownWord[] =>
  [...new Set(words)]
    .filter((word) => word !== undefined)
    .sort()
    .map((word) => ({ word, name: word }));

/** Words of a fact that conditions and test carts use already. @param more used elsewhere */
export function usedWords(
  fact: string,
  policy: Policy,
  ofCart: (cart: TestCart) => readonly (string | undefined)[] | undefined,
  more: readonly string[] = [],
): KnownWord[] {
  const inConditions = conditionsIn(policy)
    .flatMap(leaves)
    .flatMap((node) => (node.kind === 'word' && node.fact === fact ? node.values : []));
  return plainWords([
    ...inConditions,
    ...Object.values(policy.testCarts).flatMap((cart) => ofCart(cart) ?? []),
    ...more,
  ]);
}
