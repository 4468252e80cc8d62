import { inOrder } from '../ordered.ts';
import type { Notice, Offer, PlaceTexts, Policy } from '../policy/types.ts';
import {
  ofNotices,
  ofOutside,
  outsideArguments,
  wordingArgumentNames,
  type TextSetting,
  type WordingArgument,
} from './arguments.ts';
import { marketReading } from './languages/languages.ts';
import { wordingFaults, type TextSituation, type WordingFault } from './faults.ts';
import type { TextState } from '../offers/texts-written.ts';
import type { RewardKind } from '../offers/reward-kinds.ts';
import { isFigure } from './outside/given.ts';
import { isOutside } from './outside/outside-states.ts';
import { placeIds, type Place, type TextPlace } from './places.ts';
import { noticeOf, textSpeakers } from './text-speaker.ts';
import { textAddresses, textAt, unfinishedText, type TextAddress } from './text-address.ts';

/** A mistake in one of the policy's texts, and which text it is. */
export interface TextFault extends WordingFault, TextAddress {}

/** The places in which a text is shown: that of every place wherever there is no own one in the language. */
function placesShowing(texts: PlaceTexts | undefined, place: TextPlace, language: string): Place[] {
  return place === 'everyPlace' ? placeIds.filter((id) => !texts?.[id]?.[language]) : [place];
}

type Subject = Pick<TextSituation, 'measure' | 'without'>;

/** What texts can speak of: what the goals of an offer count, and arguments that the offer or the notice has nothing for. */
export function subjectOf(policy: Policy, speakerId: string, state: TextState): Subject | null {
  const notice = noticeOf(policy, speakerId);
  if (notice) return ofNotice(notice);
  if (!Object.hasOwn(policy.offers, speakerId)) return null;
  const offer = policy.offers[speakerId]!;
  return isOutside(state) ? outside(offer) : inShop(offer);
}

function ofNotice({ countdown, schedule }: Notice): Subject {
  const has = new Set<WordingArgument>(['items']);
  if (countdown) has.add('cutOff');
  if (countdown?.to === 'cutOff') has.add('arrives');
  if (countdown ?? schedule?.until) has.add('deadline');
  return { measure: 'value', without: wordingArgumentNames.filter((name) => !has.has(name)) };
}

function inShop(offer: Offer): Subject {
  const { measure, without } = ofOffer(offer);
  return { measure, without: [...without, ...ofOutside] };
}

function outside(offer: Offer): Subject {
  const { measure, without } = ofOffer(offer);
  const figures = Object.values(offer.goals).some(({ rewards }) => Object.values(rewards).some(isFigure));
  const nothing = new Set<WordingArgument>([
    ...without,
    ...wordingArgumentNames.filter((name) => !outsideArguments.includes(name)),
    ...(figures ? [] : ofOutside),
  ]);
  if (offer.unlock.by === 'code') nothing.add('goal');
  return { measure, without: [...nothing] };
}

function ofOffer(offer: Offer): Subject {
  const measures = new Set(
    Object.values(offer.goals).map(({ measure }) => (measure.kind === 'countedValue' ? 'value' : measure.kind)),
  );
  const without: WordingArgument[] = [...ofNotices];
  if (!offer.schedule?.until) without.push('deadline');
  // Of a batch of codes none can be named to everybody.
  if (!('codes' in offer.unlock) || Object.keys(offer.unlock.codes).length !== 1) without.push('code');
  return { measure: measures.size === 1 ? [...measures][0]! : 'value', without };
}

/**
 * What the goals give that a state's text is read for: on the way to the first, beyond it to the others, and having reached
 * any of them; outside the shop it is read of each.
 */
function rewardsRead({ goals }: Offer, state: TextState): RewardKind[][] {
  const all = inOrder(goals).map(([, { rewards }]) => inOrder(rewards).map(([, { kind }]) => kind));
  if (state === 'missedOut') return [];
  if (state === 'onward') return all.slice(1);
  return state === 'reached' || isOutside(state) ? all : all.slice(0, 1);
}

/** In which currency and on which clock texts of a language are judged: those of the first market that has it. */
export function settingOf(policy: Policy, language: string): TextSetting {
  const market = marketReading(policy, language);
  return {
    currency: market?.currency ?? policy.store.baseCurrency,
    timeZone: market?.timeZone ?? policy.store.timeZone,
  };
}

/** Mistakes of one text where it stands. */
export function faultsAt(
  policy: Policy,
  { speakerId, state, place, language }: TextAddress,
  text: string,
): WordingFault[] {
  const subject = subjectOf(policy, speakerId, state);
  if (!subject) return [];
  const shownIn = isOutside(state) ? [] : placesShowing(policy.wording[speakerId]?.[state], place, language);
  return wordingFaults(text, {
    ...subject,
    rewards: state === 'notice' ? [] : rewardsRead(policy.offers[speakerId]!, state),
    language,
    state,
    shownIn,
    setting: settingOf(policy, language),
  });
}

/**
 * Mistakes of all texts, in offer order; a text that has been typed but cannot be shown is one that breaks, although
 * shoppers read the last good one.
 */
export function policyWordingFaults(policy: Policy): TextFault[] {
  const faults: TextFault[] = [];
  for (const { id: speakerId } of textSpeakers(policy)) {
    for (const address of textAddresses(policy, speakerId)) {
      const text = unfinishedText(policy, address) ?? textAt(policy, address) ?? '';
      faults.push(...faultsAt(policy, address, text).map((fault) => ({ ...fault, ...address })));
    }
  }
  return faults;
}
