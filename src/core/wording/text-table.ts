import type { TextState } from '../offers/texts-written.ts';
import type { Policy } from '../policy/types.ts';
import { textSpeakers } from './text-speaker.ts';
import { findText } from './find-text.ts';
import { allLanguages, languagesOf, marketReading, sourceLanguageOf } from './languages/languages.ts';
import type { TextPlace } from './places.ts';
import { isOutside } from './outside/outside-states.ts';
import { noteAt, placesOf, statesOf, textAt } from './text-address.ts';

/** One text in one language: written, written from a source that has changed since, another one shown instead, or none. */
export type TextCell =
  | { language: string; status: 'written'; text: string }
  | { language: string; status: 'stale'; text: string; madeFrom: string }
  | { language: string; status: 'unfinished'; text: string }
  | { language: string; status: 'fallsBack'; to: string; text: string }
  | { language: string; status: 'missing' }
  | { language: string; status: 'notNeeded' };

/** One text of the store in all languages. */
export interface TextRow {
  speakerId: string;
  state: TextState;
  place: TextPlace;
  source: string | undefined;
  /** by language, the source language first */
  cells: TextCell[];
}

/**
 * All texts side by side, archived offers left out: a row for every state and place in which some language has a text.
 * A language is needed where a market with it has the offer; a place's own text is needed in those languages that have
 * none for every place.
 */
export function textTable(policy: Policy): { languages: string[]; rows: TextRow[] } {
  const languages = allLanguages(policy);
  const source = sourceLanguageOf(policy);
  const rows: TextRow[] = [];
  for (const { id: speakerId, archived } of textSpeakers(policy)) {
    if (archived) continue;
    const needed = languagesOf(policy, speakerId);
    for (const { id: state } of statesOf(policy, speakerId)) {
      for (const place of placesOf(state)) {
        if (
          Object.keys(policy.wording[speakerId]?.[state]?.[place] ?? {}).length === 0 &&
          !hasNotes(policy, speakerId, state, place)
        )
          continue;
        const cells = languages.map((language) =>
          cellOf(policy, { speakerId, state, place, language }, source, needed),
        );
        rows.push({
          speakerId,
          state,
          place,
          source: textAt(policy, { speakerId, state, place, language: source }),
          cells,
        });
      }
    }
  }
  return { languages, rows };
}

function hasNotes({ textNotes }: Policy, speakerId: string, state: TextState, place: TextPlace): boolean {
  return Object.values(textNotes?.[speakerId]?.[state]?.[place] ?? {}).some(
    ({ unfinished }) => unfinished !== undefined,
  );
}

function cellOf(
  policy: Policy,
  address: { speakerId: string; state: TextState; place: TextPlace; language: string },
  source: string,
  needed: ReadonlySet<string>,
): TextCell {
  const { speakerId, state, place, language } = address;
  const text = textAt(policy, address);
  const note = noteAt(policy, address);
  if (note?.unfinished !== undefined) return { language, status: 'unfinished', text: note.unfinished };
  if (text !== undefined && text.trim() !== '') {
    const now = textAt(policy, { ...address, language: source });
    const stale = language !== source && note?.madeFrom !== undefined && now !== undefined && now !== note.madeFrom;
    return stale
      ? { language, status: 'stale', text, madeFrom: note.madeFrom! }
      : { language, status: 'written', text };
  }
  if (!needed.has(language)) return { language, status: 'notNeeded' };
  // Whoever copies a text wants that of the language, and no other.
  if (isOutside(state)) return { language, status: 'missing' };
  const read = { speakerId, state, place: place === 'everyPlace' ? ('strip' as const) : place, language };
  const found = findText(policy, read, marketReading(policy, language)?.languages ?? []);
  if (!found) return { language, status: 'missing' };
  // A place without its own text inherits; that is no lack.
  if (place !== 'everyPlace' && found.inherited && !found.fallback) return { language, status: 'notNeeded' };
  return { language, status: 'fallsBack', to: found.language, text: found.text };
}

/** Cells that want a translator. */
export const wantsWork = ({ status }: TextCell): boolean =>
  status === 'stale' || status === 'missing' || status === 'fallsBack' || status === 'unfinished';
