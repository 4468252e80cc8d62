/** Ways in which a language of a text can stand for the one asked for, the best first. */
type LanguageMatch = (language: string) => boolean;

/** The language itself, then its base language in any region, then the market's first (2-domain §8). */
export function languageMatches(language: string, marketLanguages: readonly string[]): LanguageMatch[] {
  const base = language.split('-')[0];
  return [(key) => key === language, (key) => key.split('-')[0] === base, (key) => key === marketLanguages[0]];
}

/** The language of the first text that is written and fits, in the order of their tags. */
export function languageWritten(
  texts: Readonly<Record<string, string>> | undefined,
  fits: LanguageMatch,
): string | undefined {
  return Object.keys(texts ?? {})
    .sort()
    .find((key) => fits(key) && texts![key]!.trim() !== '');
}
