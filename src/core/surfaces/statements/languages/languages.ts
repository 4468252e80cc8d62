import { ar } from './ar.ts';
import { da } from './da.ts';
import { de } from './de.ts';
import { en } from './en.ts';
import { fr } from './fr.ts';
import { ja } from './ja.ts';
import type { LanguageWords } from './language-words.ts';
import { nl } from './nl.ts';

const known = new Map<string, LanguageWords>(Object.entries({ ar, da, de, en, fr, ja, nl }));

/** The words of a language, whatever its region; null: texts in it cannot be read. */
export const wordsOf = (language: string): LanguageWords | null => known.get(language.split('-')[0]!) ?? null;

/** Languages in which statements are read. */
export const readLanguages: readonly string[] = [...known.keys()];
