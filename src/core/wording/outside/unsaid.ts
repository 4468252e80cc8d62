import { countInWords } from '../../charges/count-in-words.ts';
import { readOut } from '../../conditions/read-out.ts';
import { listed, Reader } from '../../conditions/reader.ts';
import type { CompiledMarket } from '../../evaluation/compile.ts';
import { formatMoney } from '../../money/format.ts';
import type { CompiledGoal } from '../../offers/compile-offer.ts';
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

function ofAmounts({ policy, market, offered, used, locale }: Promise): string[] {
  const from = offered.goals.filter(({ target }) => target !== null && target > 0).map((goal) => target(goal));
  const goods = offered.goals.flatMap(({ goal }) => goal.goods ?? []);
  const cheaper = offered.goals.flatMap(({ goal }) =>
    Object.values(goal.rewards).flatMap((reward) => ('goods' in reward && reward.goods ? [reward.goods] : [])),
  );
  const reader = new Reader(policy, market.id);
  return [
    ...(used.has('goal') || from.length === 0 ? [] : [`from ${listed([...new Set(from)], 'and')} on`]),
    ...[...new Set(goods.map((chosen) => `only ${reader.goods(chosen)} count`))],
    ...[...new Set(cheaper.map((chosen) => `the share only off ${reader.goods(chosen)}`))],
  ];

  function target({ counts: { kind }, target: amount }: CompiledGoal): string {
    return kind === 'value' ? formatMoney(amount!, market.market.currency, locale) : countInWords(kind, amount!);
  }
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

function ofDelivery({ market, offered: { goals, zones }, locale, ownPrices }: Promise): string[] {
  const without = zones.filter(({ offered }) => !offered).map(({ zone }) => zone.zone.name);
  const dearer = zones.flatMap(({ zone, offered }) => {
    const reached = offered?.goals.filter(({ options }) => options.size > 0) ?? [];
    if (reached.length === 0) return [];
    return zone.options.filter(({ id }) => !reached.some(({ options }) => options.has(id)));
  });
  const onDelivery = goals.flatMap(({ rewards }) => rewards.filter((reward) => reward.acts === 'onDelivery'));
  const caps = onDelivery.filter(({ cap }) => Number.isFinite(cap)).map(({ cap }) => cap);
  const ownRemain = ownPrices && onDelivery.some(({ coversOwnDelivery }) => !coversOwnDelivery);
  const money = (amount: number) => formatMoney(amount, market.market.currency, locale);
  return [
    ...(without.length > 0 ? [`not in ${few(without)}`] : []),
    ...(dearer.length > 0 ? [`not for ${few(dearer.map(({ option }) => option.name))}`] : []),
    ...(ownRemain ? ['not what goods with a delivery price of their own add'] : []),
    ...[...new Set(caps)].map((cap) => `only where delivery costs at most ${money(cap)}`),
  ];
}

const mostNamed = 4;

/** Names, each once, the first few of many. */
function few(names: readonly string[]): string {
  const all = [...new Set(names)];
  const named = all.slice(0, mostNamed).map((name) => `“${name}”`);
  return all.length > mostNamed ? `${named.join(', ')} and ${all.length - mostNamed} more` : listed(named, 'and');
}
