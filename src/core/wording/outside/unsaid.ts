import { countInWords } from '../../charges/count-in-words.ts';
import { readOut } from '../../conditions/read-out.ts';
import { listed, Reader } from '../../conditions/reader.ts';
import type { CompiledMarket } from '../../evaluation/compile.ts';
import { formatMoney } from '../../money/format.ts';
import type { CompiledGoal, CompiledOffer } from '../../offers/compile-offer.ts';
import type { Offer, Policy } from '../../policy/types.ts';
import { compileSchedule } from '../../time/schedule.ts';
import { dayInWords } from '../day-in-words.ts';
import { deadlineInWords } from '../deadline.ts';
import type { OfferedInMarket } from './offered-in-market.ts';

/** A text for outside in one market, and what the offer is there. */
interface Promise {
  policy: Policy;
  market: CompiledMarket;
  offer: Offer;
  offered: OfferedInMarket;
  /** names of the arguments that the text mentions */
  used: ReadonlySet<string>;
  /** of whoever writes */
  locale: string;
  /** whether goods with a delivery price of their own are sold in the market */
  ownPrices: boolean;
}

/**
 * What holds for an offer in a market and a text that mentions certain arguments does not say by itself, so that whoever
 * copies it says it too or knows that it is left out: clauses such as “until Sunday, 6 December at 23:59”.
 */
export function unsaid(promise: Promise): string[] {
  return [...ofAmounts(promise), ...ofTime(promise), ...ofShoppers(promise), ...ofDelivery(promise)];
}

function ofAmounts(promise: Promise): string[] {
  const { policy, market, offered, used } = promise;
  const from = offered.goals
    .filter(({ target }) => target !== null && target > 0)
    .map((goal) => targetOf(promise, goal));
  const goods = offered.goals.flatMap(({ goal }) => goal.goods ?? []);
  const cheaper = offered.goals.flatMap(({ goal }) =>
    Object.values(goal.rewards).flatMap((reward) => ('goods' in reward && reward.goods ? [reward.goods] : [])),
  );
  const reader = new Reader(policy, market.id);
  const clauses = [
    ...(used.has('goal') || from.length === 0 ? [] : [`from ${listed([...new Set(from)], 'and')} on`]),
    ...goods.map((chosen) => `only ${reader.goods(chosen)} count`),
    ...cheaper.map((chosen) => `the share only off ${reader.goods(chosen)}`),
  ];
  return [...new Set(clauses)];
}

function ofTime({ market, offer: { schedule }, used, locale }: Promise): string[] {
  const { from, until } = compileSchedule(schedule, market.terms.clocks);
  const timeZone = market.terms.clocks.market;
  return [
    ...(Number.isFinite(from) ? [`from ${dayInWords(from, { timeZone, language: locale }, true)} on`] : []),
    ...(Number.isFinite(until) && !used.has('deadline') ? [`until ${deadlineInWords(until, timeZone, locale)}`] : []),
  ];
}

function ofShoppers({ policy, market, offer: { when, unlock, limits }, used }: Promise): string[] {
  const codes = 'codes' in unlock && unlock.by !== 'amountOrCode' ? Object.keys(unlock.codes) : [];
  const code = codes.length === 1 ? `only with the code “${codes[0]}”` : `only with one of ${codes.length} codes`;
  const times = (most: number) => (most === 1 ? 'once' : `${most} times at most`);
  return [
    ...(when && Object.keys(when.conditions).length > 0 ? [`only when ${readOut(policy, when, market.id)}`] : []),
    ...(codes.length === 0 || used.has('code') ? [] : [code]),
    ...(limits?.inAll ? [`${times(limits.inAll)} in all`] : []),
    ...(limits?.perShopper ? [`${times(limits.perShopper)} a shopper`] : []),
  ];
}

function ofDelivery(promise: Promise): string[] {
  const { offered, ownPrices } = promise;
  const { goals, zones } = offered;
  const onDelivery = goals.flatMap(({ rewards }) => rewards.filter((reward) => reward.acts === 'onDelivery'));
  const caps = onDelivery.filter(({ cap }) => Number.isFinite(cap)).map(({ cap }) => cap);
  const ownRemain = ownPrices && onDelivery.some(({ coversOwnDelivery }) => !coversOwnDelivery);
  return [
    ...ofGoals(promise, (goal) => notIn(goal, zones)),
    ...ofGoals(promise, notFor(zones)),
    ...[...new Set(caps)].map((cap) => `only where delivery costs at most ${money(promise, cap)}`),
    ...(ownRemain ? ['what goods with a delivery price of their own add is still paid'] : []),
  ];
}

/** What is said of each goal, which one it is of only where they differ. */
function ofGoals(promise: Promise, say: (goal: CompiledGoal) => string | null): string[] {
  const said = promise.offered.goals.flatMap((goal) => [{ goal, clause: say(goal) }]);
  if (said.every(({ clause }) => clause === said[0]!.clause)) return said[0]?.clause ? [said[0].clause] : [];
  return said.flatMap(({ goal, clause }) => (clause ? [`from ${targetOf(promise, goal)} ${clause}`] : []));
}

/** Zones in which a goal gives nothing. */
function notIn({ id }: CompiledGoal, zones: OfferedInMarket['zones']): string | null {
  const without = zones.filter(({ offered }) => !gives(offered, id));
  return without.length === 0 ? null : `not in ${few(without.map(({ zone }) => zone.zone.name))}`;
}

/** Options that stay as they are when a goal is reached, asked of one goal after the other: higher ones may add to lower ones. */
function notFor(zones: OfferedInMarket['zones']): (goal: CompiledGoal) => string | null {
  let reached = new Set<string>();
  return ({ id, goal: { then } }) => {
    const before = then === 'add' ? reached : [];
    reached = new Set([...before, ...zones.flatMap(({ offered }) => optionsOf(offered, id))]);
    if (reached.size === 0) return null;
    const left = zones
      .filter(({ offered }) => gives(offered, id))
      .flatMap(({ zone }) => zone.options.filter((option) => !reached.has(option.id)))
      .map(({ option }) => option.name);
    return left.length === 0 ? null : `not for ${few(left)}`;
  };
}

const gives = (offered: CompiledOffer | null, goalId: string): boolean =>
  offered?.goals.some(({ id }) => id === goalId) ?? false;

const optionsOf = (offered: CompiledOffer | null, goalId: string): readonly string[] => [
  ...(offered?.goals.find(({ id }) => id === goalId)?.options ?? []),
];

const money = ({ market, locale }: Promise, amount: number): string =>
  formatMoney(amount, market.market.currency, locale);

function targetOf(promise: Promise, { counts: { kind }, target }: CompiledGoal): string {
  const asked = target ?? 0;
  return kind === 'value' ? money(promise, asked) : countInWords(kind, asked);
}

const mostNamed = 4;

/** Names, each once, the first few of many. */
function few(names: readonly string[]): string {
  const all = [...new Set(names)];
  const named = all.slice(0, mostNamed).map((name) => `“${name}”`);
  return all.length > mostNamed ? `${named.join(', ')} and ${all.length - mostNamed} more` : listed(named, 'and');
}
