import type { Texts } from '../policy/types.ts';

/** A text in a language, falling back as wording does: its base language in any region, then the market's first. */
export function textIn(texts: Texts | undefined, language: string, marketLanguages: readonly string[]): string | null {
  if (!texts) return null;
  const base = language.split('-')[0];
  const sameBase = Object.keys(texts).sort().find((key) => key.split('-')[0] === base);
  return texts[language] ?? (sameBase ? texts[sameBase] : undefined) ?? texts[marketLanguages[0] ?? ''] ?? null;
}
