import type { CompiledMarket, CompiledPolicy } from '../evaluation/compile.ts';
import type { MessageArguments, MessageState } from '../evaluation/evaluation.ts';
import { formatMoney } from '../money/format.ts';
import type { CompiledGoal, CompiledOffer } from '../offers/compile-offer.ts';
import { selectsOption } from '../options/compile-option.ts';
import type { Notice } from '../policy/types.ts';
import { estimateAt } from '../time/estimate.ts';
import { compileSchedule } from '../time/schedule.ts';
import { localTime } from '../time/time-zone-clock.ts';
import type { TextAddress } from './text-address.ts';
import { noticeOf } from './text-speaker.ts';

/** A cart's figures to try a text with. */
export interface TextSample {
  name:
    | 'typical'
    | 'least missing'
    | 'most missing'
    | 'one piece'
    | 'many pieces'
    | 'widest amounts'
    | 'soon over'
    | 'long before';
  values: MessageArguments;
  market: CompiledMarket;
}

/** In the cart; three in other samples. */
const pieces: Partial<Record<TextSample['name'], number>> = { 'one piece': 1, 'many pieces': 99 };

/**
 * Figures with which a text of an offer in a state should be looked at: the typical remainder, the smallest and the largest
 * there can be, one piece and many, and the market of the offer whose amounts take most room in the language.
 *
 * @param now ms since 1970-01-01T00:00Z, for notices that count down
 * @returns the typical one alone where the offer holds in no market
 */
export function textSamples(
  compiled: CompiledPolicy,
  { speakerId, state, language }: Pick<TextAddress, 'speakerId' | 'language'> & { state: MessageState },
  market: CompiledMarket,
  now: number,
): TextSample[] {
  const notice = noticeOf(compiled.policy, speakerId);
  if (notice) return noticeSamples(notice, market, now);
  const holding = [...compiled.markets.values()].flatMap((other) => {
    const found = offerIn(other, speakerId, state);
    return found ? [{ market: other, ...found }] : [];
  });
  const here = holding.find((one) => one.market === market) ?? holding[0];
  if (!here)
    return [{ name: 'typical', values: { ...nothing, ...standing('value', 10_000, state, 'typical') }, market }];
  const valuesIn = (
    { offer, goal }: Pick<typeof here, 'offer' | 'goal'>,
    name: TextSample['name'],
    items: number,
  ): MessageArguments => ({
    ...nothing,
    ...standing(goal.counts.kind, goal.target ?? 0, state, name),
    items,
    reward: goal.rewards[0]?.kind ?? 'none',
    deadline: Number.isFinite(offer.span.until) ? offer.span.until : null,
    code: offer.codes.size === 1 ? [...offer.codes][0]! : null,
  });
  const sample = (name: TextSample['name'], items = pieces[name] ?? 3): TextSample => ({
    name,
    values: valuesIn(here, name, items),
    market: here.market,
  });
  const room = ({ market: { market: other }, goal }: typeof here) =>
    formatMoney(goal.target ?? 0, other.currency, language).length;
  const widest = holding.reduce((most, one) => (room(one) > room(most) ? one : most), here);
  const ahead = state !== 'reached' && state !== 'missedOut';
  return [
    sample('typical'),
    ...(ahead && state !== 'invite' ? [sample('least missing'), sample('most missing')] : []),
    sample('one piece'),
    sample('many pieces'),
    ...(widest === here
      ? []
      : [{ name: 'widest amounts' as const, values: valuesIn(widest, 'widest amounts', 3), market: widest.market }]),
  ];
}

const minutes = { typical: 130, 'soon over': 1, 'long before': 2 * 1440 + 60 } as const;

/** What a notice is tried with: an order now, its moment near and far. */
function noticeSamples(notice: Notice, market: CompiledMarket, now: number): TextSample[] {
  const { countdown } = notice;
  const { until } = compileSchedule(notice.schedule, market.terms.clocks);
  const ofCutOff = countdown?.to === 'cutOff' ? countdown.on : null;
  const option = ofCutOff
    ? market.zones.flatMap(({ options }) => options).find((one) => selectsOption(ofCutOff, one))
    : undefined;
  const arrives = option ? estimateAt(option.estimate, localTime(option.estimate.storeZone, now), now) : null;
  const sample = (name: keyof typeof minutes): TextSample => {
    const end = Number.isFinite(until) ? until : null;
    const deadline = countdown ? now + minutes[name] * 60_000 : end;
    const countedFrom = countdown ? now : null;
    return { name, values: { ...nothing, reward: 'none', deadline, countedFrom, arrives }, market };
  };
  return countdown ? [sample('typical'), sample('soon over'), sample('long before')] : [sample('typical')];
}

/** The offer and the goal that a state of it speaks of, in the first zone of a market that has it. */
function offerIn(
  { zones }: CompiledMarket,
  speakerId: string,
  state: MessageState,
): { offer: CompiledOffer; goal: CompiledGoal } | null {
  for (const { offers } of zones) {
    const offer = offers.find(({ id }) => id === speakerId);
    if (offer) return { offer, goal: offer.goals[goalSpokenOf(state, offer.goals.length)]! };
  }
  return null;
}

/** On the way the first goal is spoken of, beyond it the second, and when all are reached the last. */
function goalSpokenOf(state: MessageState, goals: number): number {
  if (state === 'reached' || state === 'missedOut') return goals - 1;
  return state === 'onward' ? Math.min(1, goals - 1) : 0;
}

/** What texts are filled with where there is nothing else. */
export const nothing: MessageArguments = {
  measure: 'value',
  remaining: 0,
  goal: 0,
  counted: 0,
  percent: 0,
  items: 3,
  optionPrice: 0,
  reward: 'deliveryFree',
  deadline: null,
  code: null,
  countedFrom: null,
  arrives: null,
};

/** What is missing in a sample: minor units, pieces or grams. */
function missingIn(goal: number, state: MessageState, name: TextSample['name']): number {
  if (state === 'reached') return 0;
  if (state === 'invite' || state === 'missedOut') return goal;
  if (name === 'least missing') return 1;
  return Math.max(1, name === 'most missing' ? goal - 1 : Math.floor(goal / 5));
}

/** Where such a cart stands toward a goal: within the fifth below it, a single unit short of it, or as far off as the state can be. */
function standing(
  measure: MessageArguments['measure'],
  goal: number,
  state: MessageState,
  name: TextSample['name'],
): Pick<MessageArguments, 'measure' | 'remaining' | 'goal' | 'counted' | 'percent'> {
  const missing = missingIn(goal, state, name);
  const counted = goal - missing;
  return {
    measure,
    remaining: state === 'missedOut' ? 0 : missing,
    goal,
    counted,
    percent: goal === 0 ? 100 : Math.floor((100 * counted) / goal),
  };
}
