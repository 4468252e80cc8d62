import { allLanguages, sourceLanguageOf } from '../wording/languages/languages.ts';
import { faultsAt } from '../wording/policy-faults.ts';
import { isNotice } from '../wording/text-speaker.ts';
import { placesOf, statesOf, textAt, type TextAddress } from '../wording/text-address.ts';
import type { Policy } from '../policy/types.ts';

/** A text that came back from a translator. */
export interface TranslatedText {
  address: TextAddress;
  text: string;
  /** the source text it was made from, if the file says so */
  madeFrom: string | undefined;
}

/** Something in a file that cannot be taken over, and where: a line, or the id of a unit. */
export interface TranslationRejection {
  at: string;
  reason: string;
}

/** What a file would change. */
export interface TranslationReading {
  /** only texts that differ from those there are */
  changed: TranslatedText[];
  same: number;
  /** texts left empty: not translated yet */
  empty: number;
  rejected: TranslationRejection[];
}

/**
 * Sorts translated texts into what would change, what is as it is, and what cannot be taken over: unknown offers, states,
 * places and languages, and texts that shoppers could not be shown.
 */
export function judgeTranslations(
  policy: Policy,
  texts: Iterable<TranslatedText & { at: string }>,
  rejected: TranslationRejection[] = [],
): TranslationReading {
  const reading: TranslationReading = { changed: [], same: 0, empty: 0, rejected };
  const languages = new Set(allLanguages(policy));
  for (const { at, ...translated } of texts) {
    const { address, text } = translated;
    const strange = strangeIn(policy, address, languages);
    const before = textAt(policy, address);
    if (strange) rejected.push({ at, reason: strange });
    else if (text === (before ?? '')) reading.same += text === '' ? 0 : 1;
    else if (text.trim() === '') reading.empty++;
    else if (text.length > 1000) rejected.push({ at, reason: 'a text has at most 1000 characters' });
    else {
      const broken = faultsAt(policy, address, text).find(({ breaks }) => breaks);
      if (broken) rejected.push({ at, reason: broken.message });
      else reading.changed.push(translated);
    }
  }
  return reading;
}

function strangeIn(
  policy: Policy,
  { speakerId, state, place, language }: TextAddress,
  languages: ReadonlySet<string>,
): string | null {
  if (!Object.hasOwn(policy.offers, speakerId) && !isNotice(policy, speakerId))
    return `there is no offer “${speakerId}”`;
  if (!statesOf(policy, speakerId).some(({ id }) => id === state)) return `there is no state “${state}”`;
  if (!placesOf(state).includes(place)) return `there is no place “${place}”`;
  if (!languages.has(language)) return `no market has the language “${language}”`;
  return null;
}

/** Languages to translate into. */
export const targetLanguages = (policy: Policy): string[] =>
  allLanguages(policy).filter((language) => language !== sourceLanguageOf(policy));
