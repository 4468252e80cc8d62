import { formatMoney } from '../../money/format.ts';
import { priceUnit } from '../../money/currency.ts';
import { localMoneyOf, resolveAmount } from '../../money/local-amount.ts';
import { inOrder } from '../../ordered.ts';
import type { StarterOffer } from './starters.ts';
import type { Condition, Goal, LocalAmount, Offer, OptionSelection, Policy, Reward } from '../../policy/types.ts';

export interface StartedOffer {
  offer: Omit<Offer, 'order'>;
  wording: NonNullable<Policy['wording'][string]>;
  /** what has been filled in, a sentence each */
  did: string[];
}

type Unplaced<T> = T extends unknown ? Omit<T, 'order'> : never;

/**
 * An offer of a starter, filled in for every market of the store that an amount can be worked out for: exact in the base
 * currency, elsewhere following it, rounded up to five of the currency's units. It is off until somebody turns it on.
 *
 * @param code of a campaign, unguessable or not as its maker likes
 * @param language the reader's, for the amounts in `did`
 */
export function startOffer({ id, name }: StarterOffer, policy: Policy, code: string, language: string): StartedOffer {
  const { baseCurrency } = policy.store;
  const markets = inOrder(policy.markets);
  const without: string[] = [];
  const targets = (units: number): Record<string, LocalAmount> => {
    const found: Record<string, LocalAmount> = {};
    for (const [market, { currency, name: called }] of markets) {
      const amount = amountOf(units, currency, baseCurrency);
      if (resolveAmount(amount, localMoneyOf(policy, market)) !== null) found[market] = amount;
      else if (!without.includes(called)) without.push(called);
    }
    return found;
  };
  const counts = (count: number): Goal['targets'] => Object.fromEntries(markets.map(([market]) => [market, { count }]));
  const parcels: OptionSelection = { by: 'kind', kinds: ['parcel'] };
  const free: Unplaced<Reward> = { kind: 'deliveryFree', on: parcels, coversOwnDelivery: false };
  const half: Unplaced<Reward> = { kind: 'deliveryLessPercent', on: parcels, coversOwnDelivery: false, percent: '50' };
  const goal = (order: number, at: Goal['targets'], reward: Unplaced<Reward>, more: Partial<Goal> = {}): Goal => ({
    order,
    measure: { kind: 'countedValue', basis: 'afterDiscountsAsShown' },
    targets: at,
    then: 'replace',
    rewards: { delivery: { ...reward, order: 1 } as Reward },
    ...more,
  });
  const offer = (goals: Goal[], more: Partial<Offer> = {}): Omit<Offer, 'order'> => ({
    name: unused(capital(name), policy),
    note: '',
    on: false,
    priority: 0,
    combines: false,
    unlock: { by: 'amount' },
    goals: Object.fromEntries(goals.map((one, index) => [index === 0 ? 'first' : `goal-${index + 1}`, one])),
    ...more,
  });
  const only = (node: Condition['conditions'][string]): Condition => ({ of: 'all', conditions: { first: node } });
  const first = Math.min(1000, Math.max(0, ...Object.values(policy.offers).map(({ priority }) => priority)) + 1);
  /** An amount as each currency of the store has it. */
  const base = (units: number) => {
    const each = new Map(
      markets.map(([market, { currency }]) => [
        currency,
        resolveAmount(amountOf(units, currency, baseCurrency), localMoneyOf(policy, market)),
      ]),
    );
    const known = [...each].flatMap(([currency, minor]) =>
      minor === null ? [] : [formatMoney(minor, currency, language)],
    );
    return known.length > 0 ? known.join(' / ') : formatMoney(units * priceUnit(baseCurrency), baseCurrency, language);
  };

  const made = ((): { offer: Omit<Offer, 'order'>; did: string[] } => {
    switch (id) {
      case 'everyone':
        return { offer: offer([goal(1, targets(60), free)]), did: [`Parcels are free from ${base(60)}.`] };
      case 'twoPeaks':
        return {
          offer: offer([goal(1, targets(45), half), goal(2, targets(90), free)]),
          did: [`Half of the delivery of parcels from ${base(45)}, all of it from ${base(90)}.`],
        };
      case 'membersSooner':
        return {
          offer: offer([goal(1, targets(45), free)], {
            when: only({ order: 1, kind: 'word', fact: 'shopper.group', operator: 'is', values: ['members'] }),
            priority: first,
          }),
          did: [
            `Parcels are free from ${base(45)} for shoppers in the group “members”; its priority is above that of other offers.`,
          ],
        };
      case 'firstOrder':
        return {
          offer: offer([goal(1, targets(25), half)], {
            when: only({ order: 1, kind: 'yesNo', fact: 'shopper.firstOrder', is: true }),
            limits: { perShopper: 1 },
          }),
          did: [`Half of the delivery from ${base(25)} for who has never ordered, once a shopper.`],
        };
      case 'threeItems':
        return {
          offer: offer([goal(1, counts(3), free, { measure: { kind: 'items' } })]),
          did: ['Parcels are free from three items that count.'],
        };
      case 'faster': {
        const express = Object.values(policy.options).some(({ tags }) => tags?.includes('express'));
        const upgrade: Unplaced<Reward> = {
          kind: 'upgrade',
          on: express ? { by: 'tag', tags: ['express'] } : parcels,
          priceOf: parcels,
          coversOwnDelivery: false,
        };
        return {
          offer: offer([goal(1, targets(60), free), goal(2, targets(120), upgrade, { then: 'add' })]),
          did: [
            `Parcels are free from ${base(60)}; from ${base(120)} ${express ? 'options tagged “express” cost' : 'every parcel costs'} what the cheapest parcel costs.`,
            ...(express
              ? []
              : ['No option is tagged “express”: tag the faster ones at Delivery and choose the tag here.']),
          ],
        };
      }
      case 'campaign':
        return {
          offer: offer([goal(1, {}, free)], {
            unlock: { by: 'code', codes: { [code]: true } },
            limits: { perShopper: 1 },
          }),
          did: [`Whoever enters ${code} has parcels free, once a shopper, whatever the cart is worth.`],
        };
      case 'weekend':
        return {
          offer: offer([goal(1, targets(40), free)], {
            when: only({ order: 1, kind: 'weekday', days: [6, 7], readIn: 'market' }),
            priority: first,
          }),
          did: [
            `Parcels are free from ${base(40)} on Saturdays and Sundays, on each market’s clock; its priority is above that of other offers.`,
          ],
        };
    }
  })();
  const follows =
    markets.some(([, { currency }]) => currency !== baseCurrency) &&
    Object.values(made.offer.goals).some(({ targets: at }) =>
      Object.values(at).some((target) => 'following' in target),
    );
  const { wording, unwritten } = englishTexts(
    id,
    markets.flatMap(([, { languages }]) => languages),
  );
  return {
    offer: made.offer,
    wording,
    did: [
      ...made.did,
      ...(follows
        ? ['Markets in other currencies follow these amounts at the adopted rates, rounded up to five.']
        : []),
      ...(without.length > 0 ? [`Without an adopted rate and so not offered: ${without.join(', ')}.`] : []),
      ...(unwritten.length > 0 ? [`To be written before it goes live: ${unwritten.join(', ')}.`] : []),
      'It is off. Look at the bench, then turn it on.',
    ],
  };
}

/** The name, with a number where an offer has it already. */
function unused(name: string, { offers }: Policy): string {
  const names = new Set(Object.values(offers).map((offer) => offer.name));
  let number = 2;
  while (names.has(number === 2 ? name : `${name} ${number - 1}`)) number++;
  return number === 2 ? name : `${name} ${number - 1}`;
}

const capital = (text: string) => text.charAt(0).toUpperCase() + text.slice(1);

function amountOf(units: number, currency: string, base: string): LocalAmount {
  if (currency === base) return { exact: units * priceUnit(base) };
  return {
    following: { base: units * priceUnit(base), buffer: '0', round: 'up', step: 5 * priceUnit(currency), less: 0 },
  };
}

/**
 * Texts in every English of the markets; languages that are left to be written. They choose their words by the reward, so that
 * they stay true when it is changed.
 */
function englishTexts(
  id: StarterOffer['id'],
  languages: readonly string[],
): { wording: StartedOffer['wording']; unwritten: string[] } {
  const all = [...new Set(languages)];
  const english = all.filter((tag) => tag === 'en' || tag.startsWith('en-'));
  const unwritten = all.filter((tag) => !english.includes(tag));
  if (english.length === 0) return { wording: {}, unwritten };
  const inEnglish = (text: string) => ({ everyPlace: Object.fromEntries(english.map((tag) => [tag, text])) });
  const more =
    id === 'threeItems' ? '{remaining, plural, one {One more item} other {# more items}}' : 'Add {remaining} more';
  const progress = `{reward, select, deliveryFree {${more} for free delivery.} goodsLessPercent {${more} and your goods cost less.} gift {${more} for a gift.} other {${more} and delivery costs less.}}`;
  const reached =
    '{reward, select, deliveryFree {Your delivery is free.} goodsLessPercent {Your goods cost less.} gift {A gift comes with your order.} other {Your delivery costs less.}}';
  return {
    wording: { ...(id === 'campaign' ? {} : { progress: inEnglish(progress) }), reached: inEnglish(reached) },
    unwritten,
  };
}
