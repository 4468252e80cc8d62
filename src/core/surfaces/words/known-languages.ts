import { ar } from './languages/ar.ts';
import { da } from './languages/da.ts';
import { de } from './languages/de.ts';
import { en } from './languages/en.ts';
import { fr } from './languages/fr.ts';
import { ja } from './languages/ja.ts';
import { nl } from './languages/nl.ts';
import type { SurfaceWords } from './surface-words.ts';

/** Languages that texts of generated surfaces ship in, by their base tag. */
const shipped: Readonly<Record<string, SurfaceWords>> = { ar, da, de, en, fr, ja, nl };

/** Texts as they ship in a language, whatever its region; null: there are none, and English stands in. */
export function shippedWords(language: string): SurfaceWords | null {
  const base = language.split('-')[0]!;
  return Object.hasOwn(shipped, base) ? shipped[base]! : null;
}

/** English, from which the others are made. */
export const sourceWords: SurfaceWords = en;
