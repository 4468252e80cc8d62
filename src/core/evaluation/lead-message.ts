import { goodsThatBring, withGoods } from '../offers/added-goods.ts';
import type { CompiledGoal, CompiledOffer } from '../offers/compile-offer.ts';
import { saidInstead, type TextState } from '../offers/texts-written.ts';
import { percentOf } from '../money/rounding.ts';
import type { Facts } from '../conditions/asked.ts';
import type { GoalStanding, OfferStanding } from '../offers/standing.ts';
import { withFacts, type ZoneContext } from './context.ts';
import type { LeadMessage, OfferState } from './evaluation.ts';
import { noticesSaid } from './notice-messages.ts';
import { acts, improves, isAsGood, isGiven, keepsFree, outcomeOf, outcomeWith, type Outcome } from './outcome.ts';
import { pricesBefore, type OptionBefore } from './price-options.ts';

/** Why an offer says nothing to this shopper. */
export type Silence =
  | 'notYet'
  | 'over'
  | 'needsCode'
  | 'notForShopper'
  | 'usedUp'
  | 'noText'
  | 'nothingToGive'
  | 'noPromise'
  | 'freeAlready'
  | 'changesNothing'
  | 'notFree';

/** What an offer would say if it led, or why it says nothing. */
type Voice = { message: LeadMessage } | { silent: Silence };

/** An offer's voices: of the goal ahead, and of what it gives already. */
interface Voices {
  offerId: string;
  ahead: Voice;
  given: Voice;
}

/** A cart as it stands: prices before rewards, what is paid and given now, and the option chosen at first. */
interface Standing {
  before: readonly OptionBefore[];
  now: Outcome;
  preselected: string | null;
}

/**
 * Whoever may speak to this shopper, in the order in which they are asked (2-domain §8): in each place and language the first
 * that has a text there leads. First the offers with a goal ahead, by priority: unlocked for this shopper, with an honest
 * promise, whose reward would change what is paid or given; of several that lead to as much, the one that asks least. Then
 * those reached that give something, the one that gives most first; then notices, by priority; then those that the shopper
 * misses out on. No offer speaks where no option can be chosen; and free is never said where nothing is free.
 */
export function speakers(context: ZoneContext, standing: Standing): LeadMessage[] {
  if (!standing.now.paid.some((paid) => paid !== null)) return noticesSaid(context, standing);
  const ahead: Ahead[] = [];
  const given: Given[] = [];
  const missed: LeadMessage[] = [];
  for (let rank = 0; rank < context.zone.offers.length; rank++) {
    const { status } = context.standings[rank]!;
    if (status === 'inForce') {
      const next = goalAhead(rank, context, standing);
      if (!('silent' in next)) ahead.push(next);
      const has = goalGiven(rank, context, standing);
      if (!('silent' in has)) given.push(has);
    } else {
      const voice = missedOut(rank, context, standing);
      if (!('silent' in voice)) missed.push(voice.message);
    }
  }
  given.sort((a, b) => b.weight - a.weight || a.rank - b.rank);
  const notices = context.zone.notices.length > 0 ? noticesSaid(context, standing) : [];
  return [...leastFirst(ahead), ...given.map(({ message }) => message), ...notices, ...missed];
}

/** What each offer of the zone would say, in the order of their priority. */
export function voicesOf(context: ZoneContext, standing: Standing): Voices[] {
  return context.zone.offers.map((offer, rank): Voices => {
    const { status } = context.standings[rank]!;
    const voices =
      status === 'inForce'
        ? { ahead: goalAhead(rank, context, standing), given: goalGiven(rank, context, standing) }
        : { ahead: missedOut(rank, context, standing), given: silences.changesNothing };
    return { offerId: offer.id, ...voices };
  });
}

interface Ahead {
  message: LeadMessage;
  leadsTo: Outcome;
}

const asks = ({ message }: Ahead): number => message.arguments.remaining;

/** Before each offer, by priority, those that ask less of the same measure and lead to as much. */
function leastFirst(ahead: readonly Ahead[]): LeadMessage[] {
  if (ahead.length < 2) return ahead.map(({ message }) => message);
  const ordered = new Set<Ahead>();
  for (const one of ahead) {
    const less = ahead.filter(
      (other) =>
        other !== one &&
        other.message.arguments.measure === one.message.arguments.measure &&
        asks(other) < asks(one) &&
        isAsGood(other.leadsTo, one.leadsTo),
    );
    for (const other of less.sort((a, b) => asks(a) - asks(b))) ordered.add(other);
    ordered.add(one);
  }
  return [...ordered].map(({ message }) => message);
}

/** The next goal of an offer in force, if it can honestly be held out. */
function goalAhead(rank: number, context: ZoneContext, { before, now }: Standing): Ahead | { silent: Silence } {
  const offer = context.zone.offers[rank]!;
  const standing = context.standings[rank]!;
  const index = standing.goals.findIndex(({ reached }) => !reached);
  if (index < 0) return silences.changesNothing;
  const goal = offer.goals[index]!;
  const { remaining } = standing.goals[index]!;
  const state = stateAhead(offer, standing.goals, index);
  if (!says(offer, state)) return silences.noText;
  if (remaining === null) return silences.noPromise;
  const leadsTo = outcomeWith(context, before, { rank, goal: index });
  if (!improves(now, leadsTo)) return whyNothingChanges(goal, now);
  if (!keepsFree(goal, leadsTo)) return silences.notFree;
  const replaced = offer.goals.some(({ goal: later }, position) => position > index && later.then === 'replace');
  if ((replaced || !staysGiven(goal, leadsTo, context)) && !isGivenWith(goal, rank, index, remaining, context))
    return silences.noPromise;
  return { message: messageOf({ offer, standing, facts: context.facts, now, leadsTo }, index, state), leadsTo };
}

function whyNothingChanges({ options, rewards }: CompiledGoal, { priced, paid }: Outcome): { silent: Silence } {
  if (rewards.some(({ acts }) => acts !== 'onDelivery')) return silences.changesNothing;
  let offered = false;
  let free = true;
  for (const [index, { option }] of priced.entries()) {
    const price = paid[index]!;
    if (!options.has(option.id) || price === null) continue;
    offered = true;
    if (price > 0) free = false;
  }
  if (!offered) return silences.nothingToGive;
  if (free) return silences.freeAlready;
  return silences.changesNothing;
}

/** Whether goods that are added cannot take away what the goal gives, as long as no later goal takes its place: gifts, or delivery that is free at any price on an option that stays offered. */
function staysGiven({ rewards }: CompiledGoal, { priced }: Outcome, { facts }: ZoneContext): boolean {
  if (rewards.every(({ acts }) => acts === 'asGift')) return true;
  const { ownDelivery } = facts.cart.measures;
  return rewards.some(
    (reward) =>
      reward.acts === 'onDelivery' &&
      reward.isFree &&
      reward.cap === Infinity &&
      priced.some(
        (entry) =>
          'after' in entry &&
          entry.option.staysOffered &&
          reward.options.has(entry.option.id) &&
          (ownDelivery === 0 || reward.coversOwnDelivery || !entry.option.kind.paysOwnDelivery),
      ),
  );
}

/** Whether the goal is reached and gives what it promises once goods that bring what is missing are in the cart. */
function isGivenWith(
  goal: CompiledGoal,
  rank: number,
  index: number,
  remaining: number,
  context: ZoneContext,
): boolean {
  const added = goodsThatBring(remaining, goal.counts, context.facts.cart);
  if (added === null) return false;
  const then = withFacts(context, withGoods(context.facts, added));
  return then.standings[rank]!.goals[index]!.reached && isGiven(goal, outcomeOf(then, pricesBefore(then), then.active));
}

interface Given {
  message: LeadMessage;
  rank: number;
  weight: number;
}

/** What giving counts for, so that no number of lesser things outweighs a greater one. */
const weights = { chosen: 1e12, option: 1e6, goods: 1e3, gift: 1 };

/** What an offer in force gives now, of the highest goal that gives it. */
function goalGiven(rank: number, context: ZoneContext, { now, preselected }: Standing): Given | { silent: Silence } {
  const offer = context.zone.offers[rank]!;
  const standing = context.standings[rank]!;
  if (!standing.goals.some(({ reached }) => reached)) return silences.changesNothing;
  let index = -1;
  let weight = 0;
  for (const entry of now.priced) {
    if (!('after' in entry)) continue;
    // An option counts once, whether one goal of the offer set its price or several did.
    const by = entry.after.setBy.find(({ offerId }) => offerId === offer.id);
    if (!by) continue;
    index = Math.max(index, indexOfGoal(offer, by.goalId));
    weight += entry.option.id === preselected ? weights.chosen : weights.option;
  }
  for (const { offerId, goalId } of now.goods.setBy) {
    if (offerId !== offer.id) continue;
    index = Math.max(index, indexOfGoal(offer, goalId));
    weight += weights.goods;
  }
  for (const { offerId, goalId } of now.gifts) {
    if (offerId !== offer.id) continue;
    index = Math.max(index, indexOfGoal(offer, goalId));
    weight += weights.gift;
  }
  if (index < 0) return silences.changesNothing;
  const goal = offer.goals[index]!;
  if (!says(offer, 'reached')) return silences.noText;
  if (!keepsFree(goal, now)) return silences.notFree;
  return {
    message: messageOf({ offer, standing, facts: context.facts, now, leadsTo: now }, index, 'reached'),
    rank,
    weight,
  };
}

const indexOfGoal = ({ goals }: CompiledOffer, goalId: string): number => goals.findIndex(({ id }) => id === goalId);

function missedOut(rank: number, { zone, standings, facts }: ZoneContext, { now }: Standing): Voice {
  const offer = zone.offers[rank]!;
  const standing = standings[rank]!;
  const { status } = standing;
  if (status !== 'notForShopper' && status !== 'usedUp') return silences[status as Silence];
  if (!offer.texts.has('missedOut')) return silences[status];
  return { message: messageOf({ offer, standing, facts, now, leadsTo: now }, standing.goals.length - 1, 'missedOut') };
}

/** Whether there is a text for a state, or for being on the way where that is said instead. */
function says({ texts }: CompiledOffer, state: TextState): boolean {
  const instead = saidInstead[state];
  return texts.has(state) || (instead !== undefined && texts.has(instead));
}

/** Whether something is free by a goal: delivery by one of its options, or a gift. */
function isFree({ rewards, options }: CompiledGoal, { priced, paid }: Outcome): boolean {
  if (rewards.some(({ kind }) => kind === 'gift')) return true;
  return priced.some(({ option }, index) => paid[index] === 0 && options.has(option.id));
}

/** What an offer's message is made from. */
interface Speaking {
  offer: CompiledOffer;
  standing: OfferStanding;
  facts: Facts;
  now: Outcome;
  /** what the goal brings, by which its reward is named */
  leadsTo: Outcome;
}

/** @param index of the goal */
function messageOf({ offer, standing, facts, now, leadsTo }: Speaking, index: number, state: OfferState): LeadMessage {
  const { goalId, target, counted, percent, remaining, measure } = standing.goals[index]!;
  const goal = offer.goals[index]!;
  const reward = goal.rewards.find((one) => acts(one, leadsTo)) ?? goal.rewards[0];
  return {
    speakerId: offer.id,
    goalId,
    state,
    free: isFree(goal, leadsTo),
    arguments: {
      measure,
      remaining: remaining ?? 0,
      goal: target ?? 0,
      counted,
      percent,
      items: facts.cart.measures.items,
      optionPrice: lowestPaid(now, goal.options),
      reward: reward?.kind ?? 'none',
      deadline: Number.isFinite(offer.span.until) ? offer.span.until : null,
      code: offer.codes.size === 0 ? null : codeOf(offer.codes, facts),
      countedFrom: null,
      arrives: null,
    },
  };
}

const silences = Object.fromEntries(
  (
    [
      'notYet',
      'over',
      'needsCode',
      'notForShopper',
      'usedUp',
      'noText',
      'nothingToGive',
      'noPromise',
      'freeAlready',
      'changesNothing',
      'notFree',
    ] satisfies Silence[]
  ).map((silent) => [silent, { silent }]),
) as Record<Silence, { silent: Silence }>;

/** Of a batch of codes none can be named to somebody who has not entered one. */
function codeOf(codes: ReadonlySet<string>, { cart }: Facts): string | null {
  for (const code of cart.codes) if (codes.has(code)) return code;
  return codes.size === 1 ? [...codes][0]! : null;
}

function stateAhead({ nearly }: CompiledOffer, goals: readonly GoalStanding[], index: number): OfferState {
  const { counted, remaining, target, measure } = goals[index]!;
  if (goals.some(({ reached }) => reached)) return 'onward';
  if (counted === 0) return 'invite';
  if (nearly === null || remaining === null) return 'progress';
  if ('amount' in nearly && measure !== 'value') return 'progress';
  const near = 'share' in nearly ? percentOf(target!, nearly.share) : nearly.amount;
  return remaining <= near ? 'nearly' : 'progress';
}

function lowestPaid({ priced, paid }: Outcome, rewarded: ReadonlySet<string>): number | null {
  let lowest: number | null = null;
  for (const [index, { option }] of priced.entries()) {
    const price = paid[index]!;
    if (price !== null && rewarded.has(option.id) && (lowest === null || price < lowest)) lowest = price;
  }
  return lowest;
}
