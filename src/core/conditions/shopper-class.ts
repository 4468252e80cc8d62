import { guest } from '../cart/shopper.ts';
import { possibleRegion, treeOf } from './condition-region.ts';
import type { Qualifiers } from './leaves.ts';
import type { MarketTerms } from '../markets/terms.ts';
import type { Condition, Shopper } from '../policy/types.ts';
import type { Box } from '../regions/region.ts';
import { oneOf, type Values } from '../regions/values.ts';

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

interface Known {
  qualifiers: Qualifiers;
  terms: MarketTerms;
  now: number;
  classes: ShopperClass[] | null;
}

const known = new WeakMap<Condition, Map<string, Known>>();

/** Whoever a condition can hold for, one for each box of where it does; null: not examined. Kept for each market. */
export function classesOf(
  condition: Condition,
  qualifiers: Qualifiers,
  terms: MarketTerms,
  now: number,
): ShopperClass[] | null {
  let markets = known.get(condition);
  if (!markets) known.set(condition, (markets = new Map()));
  const last = markets.get(terms.id);
  if (last && last.qualifiers === qualifiers && last.terms === terms && last.now === now) return last.classes;
  const region = possibleRegion(treeOf(condition, qualifiers, terms));
  const classes = region && region.map((box) => inBox(box, now));
  markets.set(terms.id, { qualifiers, terms, now, classes });
  return classes;
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

export function classOf(shopper: Shopper, codes: readonly string[], channel: string | undefined): ShopperClass {
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
  return [who, said.join(', ')].filter(Boolean).join(shopper.signedIn ? ', ' : ' ');
}
