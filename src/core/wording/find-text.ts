import { saidInstead, type TextState } from '../offers/texts-written.ts';
import type { OfferWording, Policy } from '../policy/types.ts';
import { fallBack } from './languages/fall-back.ts';
import type { Place } from './places.ts';

/** A text and how it was found; `fallback` names what was asked for but is not there. */
export interface FoundText {
  text: string;
  /** the state it was written for */
  state: TextState;
  language: string;
  inherited: boolean;
  fallback: { wanted: string } | null;
}

/** What is looked for: the text of an offer in a state, as it is read in a place and a language. */
export interface ReadAddress {
  speakerId: string;
  state: TextState;
  place: Place;
  language: string;
}

/**
 * The text for a place and language: the place's own, else that of every place; for each language in turn the one
 * asked for, its base language (in any region), then the market's first (2-domain §8). A state without a text that can
 * be shown takes that of being on the way.
 */
export function findText(policy: Policy, address: ReadAddress, marketLanguages: readonly string[]): FoundText | null {
  const { speakerId, state } = address;
  const wording = policy.wording[speakerId];
  const instead = saidInstead[state];
  return (
    findInState(wording, address, marketLanguages) ??
    (instead ? findInState(wording, { ...address, state: instead }, marketLanguages) : null)
  );
}

function findInState(
  wording: OfferWording | undefined,
  { state, place, language }: ReadAddress,
  marketLanguages: readonly string[],
): FoundText | null {
  const texts = wording?.[state];
  if (!texts) return null;
  const own = fallBack(texts[place], language, marketLanguages);
  const general = fallBack(texts.everyPlace, language, marketLanguages);
  const inherited = own === null || (general !== null && general.rank < own.rank);
  const found = inherited ? general : own;
  if (!found) return null;
  return {
    text: (inherited ? texts.everyPlace : texts[place])![found.language]!,
    state,
    language: found.language,
    inherited,
    fallback: found.rank === 0 ? null : { wanted: language },
  };
}
