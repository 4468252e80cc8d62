import type { MessageState } from '../evaluation/evaluation.ts';
import { inOrder } from '../ordered.ts';
import type { PlaceTexts, Policy } from '../policy/types.ts';
import { wordingFaults, type WordingFault } from './faults.ts';
import { placeIds, type Place, type TextPlace } from './places.ts';

/** A mistake in one of the policy's texts, and which text it is. */
export interface TextFault extends WordingFault {
  offerId: string;
  state: MessageState;
  place: TextPlace;
  language: string;
}

/** The places in which a text is shown: that of every place wherever there is no own one in the language. */
export function placesShowing(texts: PlaceTexts | undefined, place: TextPlace, language: string): Place[] {
  return place === 'everyPlace' ? placeIds.filter((id) => !texts?.[id]?.[language]) : [place];
}

/** Mistakes of all texts, in offer order. Amounts are judged in the first market that has the language. */
export function policyWordingFaults(policy: Policy): TextFault[] {
  const faults: TextFault[] = [];
  for (const [offerId, { goals }] of inOrder(policy.offers)) {
    const measures = new Set(Object.values(goals).map(({ measure }) => (measure.kind === 'countedValue' ? 'value' : measure.kind)));
    const measure = measures.size === 1 ? [...measures][0] : 'value';
    for (const [state, byPlace] of Object.entries(policy.wording[offerId] ?? {}) as [MessageState, PlaceTexts][]) {
      for (const [place, texts] of Object.entries(byPlace) as [TextPlace, Record<string, string>][]) {
        for (const [language, text] of Object.entries(texts)) {
          const market = Object.values(policy.markets).find(({ languages }) => languages.includes(language));
          const found = wordingFaults(text, language, state, placesShowing(byPlace, place, language), market?.currency ?? policy.store.baseCurrency, measure);
          faults.push(...found.map((fault) => ({ ...fault, offerId, state, place, language })));
        }
      }
    }
  }
  return faults;
}
