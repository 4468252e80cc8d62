import type { MessageState } from '../evaluation/evaluation.ts';
import type { Policy, TextNote } from '../policy/types.ts';
import { placeIds, type TextPlace } from './places.ts';

/** The states in the order in which a shopper goes through them, and what each is called. */
export const messageStates = [
  { id: 'invite', name: 'nothing yet', means: 'nothing in the cart counts yet' },
  { id: 'progress', name: 'on the way', means: 'something counts, the goal is ahead' },
  { id: 'nearly', name: 'nearly there', means: 'little is missing, as the offer says' },
  { id: 'reached', name: 'reached', means: 'every goal is reached' },
  { id: 'onward', name: 'on to the next', means: 'one goal is reached, the next is ahead' },
  { id: 'missedOut', name: 'missed out', means: 'not for this shopper, or used up; usually silent' },
] as const satisfies readonly { id: MessageState; name: string; means: string }[];

export const stateName = (state: MessageState): string => messageStates.find(({ id }) => id === state)!.name;

export const textPlaces: readonly TextPlace[] = ['everyPlace', ...placeIds];

/** Where one text stands: offer × state × place × language. */
export interface TextAddress {
  offerId: string;
  state: MessageState;
  place: TextPlace;
  language: string;
}

export const addressKey = ({ offerId, state, place, language }: TextAddress): string =>
  `${offerId}/${state}/${place}/${language}`;

/** The text that stands there; undefined where none does. */
export function textAt({ wording }: Policy, { offerId, state, place, language }: TextAddress): string | undefined {
  return wording[offerId]?.[state]?.[place]?.[language];
}

export function noteAt({ textNotes }: Policy, { offerId, state, place, language }: TextAddress): TextNote | undefined {
  return textNotes?.[offerId]?.[state]?.[place]?.[language];
}

/** What has been typed there and cannot be shown to shoppers, who read what stood there before. */
export const unfinishedText = (policy: Policy, address: TextAddress): string | undefined =>
  noteAt(policy, address)?.unfinished;

/** Every text of an offer, written or unfinished, in the order of states, places and languages. */
export function textAddresses(policy: Policy, offerId: string): TextAddress[] {
  return messageStates.flatMap(({ id: state }) =>
    textPlaces.flatMap((place) => {
      const notes = Object.entries(policy.textNotes?.[offerId]?.[state]?.[place] ?? {});
      const unfinished = notes.filter(([, note]) => note.unfinished !== undefined).map(([language]) => language);
      const languages = new Set([...Object.keys(policy.wording[offerId]?.[state]?.[place] ?? {}), ...unfinished]);
      return [...languages].sort().map((language) => ({ offerId, state, place, language }));
    }),
  );
}

/** How many texts have been typed and cannot be shown yet. */
export const countUnfinished = (policy: Policy): number =>
  Object.keys(policy.textNotes ?? {})
    .flatMap((offerId) => textAddresses(policy, offerId))
    .filter((address) => unfinishedText(policy, address) !== undefined).length;
