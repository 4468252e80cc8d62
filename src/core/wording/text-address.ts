import type { MessageState } from '../evaluation/evaluation.ts';
import type { TextState } from '../offers/texts-written.ts';
import type { Policy, TextNote } from '../policy/types.ts';
import { isOutside, outsideStates } from './outside/outside-states.ts';
import { placeIds, type TextPlace } from './places.ts';
import { isNotice } from './text-speaker.ts';

/** The states in the order in which a shopper goes through them, and what each is called. */
export const messageStates = [
  { id: 'invite', name: 'nothing yet', means: 'nothing in the cart counts yet' },
  { id: 'progress', name: 'on the way', means: 'something counts, the goal is ahead' },
  { id: 'nearly', name: 'nearly there', means: 'little is missing, as the offer says' },
  { id: 'reached', name: 'reached', means: 'every goal is reached' },
  { id: 'onward', name: 'on to the next', means: 'one goal is reached, the next is ahead' },
  { id: 'missedOut', name: 'missed out', means: 'not for this shopper, or used up; usually silent' },
] as const satisfies readonly StateWords<MessageState>[];

interface StateWords<State extends TextState = TextState> {
  id: State;
  name: string;
  means: string;
}

/** The one state of a notice. */
const noticeStates: readonly StateWords<MessageState>[] = [
  { id: 'notice', name: 'notice', means: 'while the notice holds' },
];

/** The states in which shoppers read of an offer or a notice. */
export const statesRead = (policy: Policy, speakerId: string): readonly StateWords<MessageState>[] =>
  isNotice(policy, speakerId) ? noticeStates : messageStates;

const offerStates: readonly StateWords[] = [...messageStates, ...outsideStates];

/** All that an offer or a notice has texts for: those states, and of an offer what is written for outside. */
export const statesOf = (policy: Policy, speakerId: string): readonly StateWords[] =>
  isNotice(policy, speakerId) ? noticeStates : offerStates;

export const stateWords = (state: TextState): StateWords =>
  [...offerStates, ...noticeStates].find(({ id }) => id === state)!;

export const stateName = (state: TextState): string => stateWords(state).name;

export const textPlaces: readonly TextPlace[] = ['everyPlace', ...placeIds];
const everyPlace: readonly TextPlace[] = ['everyPlace'];

/** The places that a text of a state can be written for; one for outside is in none of the shop’s. */
export const placesOf = (state: TextState): readonly TextPlace[] => (isOutside(state) ? everyPlace : textPlaces);

/** Where one text stands: offer or notice × state × place × language. */
export interface TextAddress {
  speakerId: string;
  state: TextState;
  place: TextPlace;
  language: string;
}

export const addressKey = ({ speakerId, state, place, language }: TextAddress): string =>
  `${speakerId}/${state}/${place}/${language}`;

/** The text that stands there; undefined where none does. */
export function textAt({ wording }: Policy, { speakerId, state, place, language }: TextAddress): string | undefined {
  return wording[speakerId]?.[state]?.[place]?.[language];
}

export function noteAt(
  { textNotes }: Policy,
  { speakerId, state, place, language }: TextAddress,
): TextNote | undefined {
  return textNotes?.[speakerId]?.[state]?.[place]?.[language];
}

/** What has been typed there and cannot be shown to shoppers, who read what stood there before. */
export const unfinishedText = (policy: Policy, address: TextAddress): string | undefined =>
  noteAt(policy, address)?.unfinished;

/** Every text of an offer or a notice, written or unfinished, in the order of states, places and languages. */
export function textAddresses(policy: Policy, speakerId: string): TextAddress[] {
  return statesOf(policy, speakerId).flatMap(({ id: state }) =>
    placesOf(state).flatMap((place) => {
      const notes = Object.entries(policy.textNotes?.[speakerId]?.[state]?.[place] ?? {});
      const unfinished = notes.filter(([, note]) => note.unfinished !== undefined).map(([language]) => language);
      const languages = new Set([...Object.keys(policy.wording[speakerId]?.[state]?.[place] ?? {}), ...unfinished]);
      return [...languages].sort().map((language) => ({ speakerId, state, place, language }));
    }),
  );
}
