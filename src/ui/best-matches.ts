/** Something that is found by typing. */
export interface SearchEntry<T> {
  value: T;
  name: string;
  /** heading under which it stands */
  group?: string;
  /** other words under which it is found */
  also?: string;
  /** said beside its name, and found by too */
  hint?: string;
}

const plain = (text: string) => text.normalize('NFD').replace(/\p{M}/gu, '').toLowerCase();
const wordsOf = (text: string) => plain(text).split(/[\s,()/“”"-]+/);
const begins = (words: readonly string[], typed: string) => words.some((word) => word.startsWith(typed));

/** Whether every typed word begins a word of a text, accents and case aside. */
export function matches(text: string, typed: string): boolean {
  const words = wordsOf(text);
  return wordsOf(typed).every((one) => one === '' || begins(words, one));
}

/** How well an entry answers what is typed: 0 the name itself, then its beginning, its words, other words; null not at all. */
function rankOf<T>(
  { name, also = '', hint = '', group = '' }: SearchEntry<T>,
  typed: readonly string[],
  whole: string,
) {
  const [own, others] = [wordsOf(name), wordsOf(`${also} ${hint} ${group}`)];
  if (!typed.every((word) => begins(own, word) || begins(others, word))) return null;
  if (plain(name) === whole) return 0;
  if (plain(name).startsWith(whole)) return 1;
  return typed.every((word) => begins(own, word)) ? 2 : 3;
}

/**
 * Entries in which every typed word begins a word, accents and case aside; the best first, in the order of their groups' best.
 * With nothing typed, the first ones as they are listed.
 */
export function bestMatches<T>(entries: readonly SearchEntry<T>[], text: string, most: number): SearchEntry<T>[] {
  const typed = wordsOf(text).filter(Boolean);
  if (typed.length === 0) return entries.slice(0, most);
  const whole = plain(text.trim());
  const ranked = entries.flatMap((entry) => {
    const rank = rankOf(entry, typed, whole);
    return rank === null ? [] : [{ entry, rank }];
  });
  return ranked
    .sort((a, b) => a.rank - b.rank)
    .slice(0, most)
    .map(({ entry }) => entry);
}
