import type { Policy } from '../../core/policy/types.ts';
import { addressKey, noteAt, textAt, type TextAddress } from '../../core/wording/text-address.ts';
import { faultsAt } from '../../core/wording/policy-faults.ts';
import { sourceLanguageOf } from '../../core/wording/languages/languages.ts';
import type { TranslatedText } from '../../core/translations/translation.ts';
import type { Edit } from './edit.ts';
import { inTurn, setAt, valueAt } from './set-at.ts';

const stepsOf = (root: 'wording' | 'textNotes', { speakerId, state, place, language }: TextAddress): string[] => [
  root,
  speakerId,
  state,
  place,
  language,
];

/** Takes a text or note away, and what would be left empty around it. */
const withoutEmpty =
  (steps: readonly string[]): Edit =>
  (policy) => {
    if (valueAt(policy, steps) === undefined) return [];
    let depth = steps.length;
    while (depth > 2 && Object.keys(valueAt<object>(policy, steps.slice(0, depth - 1)) ?? {}).length === 1) depth--;
    return setAt(steps.slice(0, depth), undefined)(policy);
  };

const setNote =
  (address: TextAddress, field: 'unfinished' | 'madeFrom', value: string | undefined): Edit =>
  (policy) => {
    const steps = stepsOf('textNotes', address);
    if (value !== undefined) return setAt([...steps, field], value)(policy);
    const note = noteAt(policy, address);
    if (note?.[field] === undefined) return [];
    return Object.keys(note).length === 1 ? withoutEmpty(steps)(policy) : setAt([...steps, field], undefined)(policy);
  };

/** Translations at the same address that do not say yet what they were made from. */
function unmarked(policy: Policy, address: TextAddress): TextAddress[] {
  return Object.keys(policy.wording[address.speakerId]?.[address.state]?.[address.place] ?? {})
    .map((language) => ({ ...address, language }))
    .filter((other) => other.language !== address.language && noteAt(policy, other)?.madeFrom === undefined);
}

/**
 * A text as it has been typed. One that shoppers can be shown replaces what stands there; one that they cannot is kept beside
 * it as unfinished, and they read what they read before. An empty one takes the text away, so that the place inherits again.
 * What it was translated from is put down, so that a later change of the source is seen.
 */
export const setText =
  (address: TextAddress, text: string): Edit =>
  (policy) => {
    const before = textAt(policy, address);
    if (text.trim() === '')
      return inTurn(withoutEmpty(stepsOf('wording', address)), withoutEmpty(stepsOf('textNotes', address)))(policy);
    if (faultsAt(policy, address, text).some(({ breaks }) => breaks))
      return setNote(address, 'unfinished', text)(policy);
    const source = sourceLanguageOf(policy);
    const isSource = address.language === source;
    return inTurn(
      ...(isSource && before !== undefined && before !== text
        ? unmarked(policy, address).map((other) => setNote(other, 'madeFrom', before))
        : []),
      before === text ? () => [] : setAt(stepsOf('wording', address), text),
      setNote(address, 'unfinished', undefined),
      isSource ? () => [] : setNote(address, 'madeFrom', textAt(policy, { ...address, language: source })),
    )(policy);
  };

/** Says that a translation is still right for the source as it is now. */
export const keepTranslation =
  (address: TextAddress): Edit =>
  (policy) =>
    setNote(address, 'madeFrom', textAt(policy, { ...address, language: sourceLanguageOf(policy) }))(policy);

/** Gives up what is unfinished: what shoppers read stays. */
export const dropUnfinished = (address: TextAddress): Edit => setNote(address, 'unfinished', undefined);

/** Translated texts of a file as one change; each remembers the source that the file had. */
export const takeTranslations = (texts: readonly TranslatedText[]): Edit => {
  const once = new Map(texts.map((translated) => [addressKey(translated.address), translated]));
  return inTurn(
    ...[...once.values()].flatMap(({ address, text, madeFrom }) => [
      setText(address, text),
      ...(madeFrom === undefined ? [] : [madeFromOf(address, madeFrom)]),
    ]),
  );
};

const madeFromOf =
  (address: TextAddress, madeFrom: string): Edit =>
  (policy) =>
    address.language === sourceLanguageOf(policy) ? [] : setNote(address, 'madeFrom', madeFrom)(policy);
