import type { Texts } from '../policy/types.ts';
import { fallBack } from './languages/fall-back.ts';

/** A text in a language, falling back as wording does. */
export function textIn(texts: Texts | undefined, language: string, marketLanguages: readonly string[]): string | null {
  const found = fallBack(texts, language, marketLanguages);
  return found && texts![found.language]!;
}
