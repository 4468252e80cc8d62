import { renderText } from '../../wording/render.ts';
import { usedArguments } from '../../wording/used-arguments.ts';
import { sourceWords } from './known-languages.ts';
import type { SurfaceTextId } from './surface-words.ts';

/** Values that a text can name: those that the English one names. */
export const valuesOf = (id: SurfaceTextId): string[] => [...usedArguments(sourceWords[id])];

/** Whether a text cannot be filled, in words; null: it can. Numbers stand for what is counted. */
export function surfaceTextFault(id: SurfaceTextId, text: string, language: string): string | null {
  const names = valuesOf(id);
  const values = Object.fromEntries(names.map((name) => [name, counts.includes(name) ? 2 : `(${name})`]));
  if (renderText(text, language, values) !== null) return null;
  if (names.length === 0) return 'This text has no values: leave braces out.';
  return `It cannot be filled. Its values are ${names.map((name) => `{${name}}`).join(', ')}.`;
}

const counts = ['count', 'min', 'max'];
