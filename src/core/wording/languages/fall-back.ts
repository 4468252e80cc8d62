import type { Texts } from '../../policy/types.ts';

/** The language of a text that stands for the one asked for. */
export interface FallBack {
  language: string;
  /** 0 the language itself, 1 its base language in any region, 2 the market's first */
  rank: number;
}

const known = new WeakMap<Texts, Map<string, FallBack | null>>();
/** Anybody may ask for any language: so many are remembered of a text. */
const mostKnown = 50;

/**
 * The language in which texts are read: the one asked for, then its base language in any region, then the market's first
 * (2-domain §8), of several the first in the order of their tags. Worked out once, since texts are never changed in place.
 *
 * @returns null where none of these is written
 */
export function fallBack(
  texts: Texts | undefined,
  language: string,
  marketLanguages: readonly string[],
): FallBack | null {
  if (!texts) return null;
  let answers = known.get(texts);
  if (!answers) known.set(texts, (answers = new Map()));
  const key = `${language} ${marketLanguages[0] ?? ''}`;
  let answer = answers.get(key);
  if (answer === undefined) {
    answer = look(texts, language, marketLanguages);
    if (answers.size >= mostKnown) answers.clear();
    answers.set(key, answer);
  }
  return answer;
}

function look(texts: Texts, language: string, marketLanguages: readonly string[]): FallBack | null {
  const base = language.split('-')[0];
  const written = Object.keys(texts)
    .sort()
    .filter((key) => texts[key]!.trim() !== '');
  const ways: ((key: string) => boolean)[] = [
    (key) => key === language,
    (key) => key.split('-')[0] === base,
    (key) => key === marketLanguages[0],
  ];
  for (const [rank, fits] of ways.entries()) {
    const found = written.find(fits);
    if (found !== undefined) return { language: found, rank };
  }
  return null;
}
