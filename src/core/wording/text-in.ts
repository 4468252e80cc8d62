import type { Texts } from '../policy/types.ts';
import { languageMatches, languageWritten } from './fall-back.ts';

/** A text in a language, falling back as wording does. */
export function textIn(texts: Texts | undefined, language: string, marketLanguages: readonly string[]): string | null {
  if (!texts) return null;
  for (const fits of languageMatches(language, marketLanguages)) {
    const key = languageWritten(texts, fits);
    if (key !== undefined) return texts[key]!;
  }
  return null;
}
