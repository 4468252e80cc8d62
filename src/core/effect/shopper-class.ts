import { guest } from '../cart/shopper.ts';
import { possibleRegion, treeOf } from '../conditions/condition-region.ts';
import type { Qualifiers } from '../conditions/leaves.ts';
import type { CompiledZone } from '../evaluation/compile.ts';
import type { MarketTerms } from '../markets/terms.ts';
import type { Condition, Shopper } from '../policy/types.ts';
import type { Box } from '../regions/region.ts';
import { oneOf, type Values } from '../regions/values.ts';
import { conditionsOf } from './unlike.ts';

/** A kind of shopper that some condition tells from others: who it is, and what is in the cart beside goods. */
export interface ShopperClass {
  /** the same for the same; empty: a guest of whom nothing is known */
  id: string;
  /** in words, as “someone in members” */
  name: string;
  shopper: Shopper;
  codes: readonly string[];
  channel: string | undefined;
}

export const anybody: ShopperClass = { id: '', name: 'a guest', shopper: guest, codes: [], channel: undefined };

/** So many classes at most are told apart. */
export const mostClasses = 60;

/**
 * The kinds of shoppers that the conditions, codes and channels of some zones tell apart: a guest, one for each way in which a
 * condition can hold, one for each offer that a code unlocks, one for each channel.
 *
 * @param now ms since 1970-01-01T00:00Z
 * @returns null where conditions come to too many ways to be looked at
 */
export function shopperClasses(zones: readonly CompiledZone[], now: number): ShopperClass[] | null {
  const classes = new Map([[anybody.id, anybody]]);
  const add = (one: ShopperClass) => classes.set(one.id, one);
  for (const zone of zones) {
    const { qualifiers } = zone.policy;
    const { terms } = zone.market;
    for (const condition of conditionsOf(zone)) {
      const found = classesOf(condition, qualifiers, terms, now);
      if (found === null) return null;
      for (const one of found) add(one);
    }
    for (const { offer } of zone.offers) {
      const [code] = 'codes' in offer.unlock ? Object.keys(offer.unlock.codes) : [];
      if (code !== undefined) add(classOf(guest, [code], undefined));
    }
    for (const { channels } of zone.options) for (const channel of channels ?? []) add(classOf(guest, [], channel));
    if (classes.size > mostClasses) return null;
  }
  return [...classes.values()];
}

/** Whoever a condition can hold for, one for each box of where it does; null: not examined. */
function classesOf(
  condition: Condition,
  qualifiers: Qualifiers,
  terms: MarketTerms,
  now: number,
): ShopperClass[] | null {
  const region = possibleRegion(treeOf(condition, qualifiers, terms));
  return region && region.map((box) => inBox(box, now));
}

/** Somebody in a box: of what it does not name nothing is known. */
function inBox(box: Box, now: number): ShopperClass {
  const shopper: Shopper = { ...guest };
  const words: Record<'shopper.group' | 'shopper.tag' | 'cart.code', string[]> = {
    'shopper.group': [],
    'shopper.tag': [],
    'cart.code': [],
  };
  let channel: string | undefined;
  for (const [fact, values] of box) {
    const value = valueIn(values);
    if (value === null) continue;
    const [name = '', ...rest] = fact.split(' ');
    if (Object.hasOwn(words, name)) {
      if (value === 'yes') words[name as keyof typeof words].push(rest.join(' '));
    } else if (name === 'cart.channel') channel = String(value);
    else take(shopper, name, value, now);
  }
  const { 'shopper.group': groups, 'shopper.tag': tags, 'cart.code': codes } = words;
  return classOf(
    { ...shopper, ...(groups.length > 0 ? { groups } : {}), ...(tags.length > 0 ? { tags } : {}) },
    codes,
    channel,
  );
}

/** Makes a shopper somebody of whom a fact is so. */
function take(shopper: Shopper, fact: string, value: number | string, now: number): void {
  switch (fact) {
    case 'shopper.signedIn':
      shopper.signedIn = value === 'yes';
      break;
    case 'shopper.business':
      shopper.business = value === 'yes';
      break;
    case 'shopper.orderCount':
    case 'shopper.lifetimeSpend':
      shopper[fact === 'shopper.orderCount' ? 'orderCount' : 'lifetimeSpend'] = Number(value);
      break;
    case 'shopper.daysSinceLastOrder':
      shopper.lastOrderAt = new Date(now - Number(value) * msPerDay).toISOString();
      break;
    case 'shopper.billingCountry':
      shopper.billingCountry = String(value);
      break;
    case 'shopper.individual':
      shopper.individual = String(value);
  }
}

const msPerDay = 86_400_000;

/** One of some values that is known, if there is one. */
function valueIn(values: Values): number | string | null {
  const value = oneOf(values);
  return typeof value === 'number' && !Number.isFinite(value) ? null : value;
}

function classOf(shopper: Shopper, codes: readonly string[], channel: string | undefined): ShopperClass {
  const id = JSON.stringify([Object.entries(shopper).sort(([a], [b]) => (a < b ? -1 : 1)), codes, channel ?? null]);
  const nobody = Object.keys(shopper).length === 1 && !shopper.signedIn && codes.length === 0 && channel === undefined;
  return {
    id: nobody ? '' : id,
    name: nobody ? anybody.name : nameOf(shopper, codes, channel),
    shopper,
    codes,
    channel,
  };
}

/** Who it is, in words. */
function nameOf(shopper: Shopper, codes: readonly string[], channel: string | undefined): string {
  const said = [
    ...(shopper.groups?.map((group) => `in “${group}”`) ?? []),
    ...(shopper.tags?.map((tag) => `tagged “${tag}”`) ?? []),
    ...(shopper.orderCount === 0 ? ['ordering for the first time'] : []),
    ...(shopper.orderCount
      ? [`with ${shopper.orderCount} ${shopper.orderCount === 1 ? 'order' : 'orders'} before`]
      : []),
    ...(shopper.lastOrderAt === undefined ? [] : [`who last ordered on ${shopper.lastOrderAt.slice(0, 10)}`]),
    ...(shopper.lifetimeSpend === undefined ? [] : ['known by what they have spent']),
    ...(shopper.business === undefined ? [] : [shopper.business ? 'buying for a business' : 'buying privately']),
    ...(shopper.billingCountry === undefined ? [] : [`billed in ${shopper.billingCountry}`]),
    ...(shopper.individual === undefined ? [] : [`who is ${shopper.individual}`]),
    ...codes.map((code) => `with the code ${code}`),
    ...(channel === undefined ? [] : [`by “${channel}”`]),
  ];
  const who = shopper.signedIn ? 'someone signed in' : 'someone';
  return [who, said.join(', ')].filter(Boolean).join(' ');
}
