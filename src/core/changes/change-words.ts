import { rewardKinds } from '../offers/rewards/registry.ts';
import { optionKinds } from '../options/kinds/registry.ts';
import { formatMoney } from '../money/format.ts';
import { localMoneyOf, resolveAmount } from '../money/local-amount.ts';
import { inOrder } from '../ordered.ts';
import type { LocalAmount, Policy } from '../policy/types.ts';

export type Json = null | boolean | number | string | Json[] | { [key: string]: Json };

/** What parts of a policy are called; a part that only groups others has no words. */
const words: Readonly<Record<string, string>> = {
  goals: '',
  rewards: '',
  lines: '',
  targets: '',
  amounts: '',
  options: '',
  patterns: '',
  area: '',
  conditions: '',
  charge: 'charge',
  include: 'takes in',
  exclude: 'leaves out',
  on: 'switched',
  archived: 'archived',
  name: 'name',
  note: 'note',
  order: 'position in the list',
  priority: 'priority',
  combines: 'combines with others',
  unlock: 'how it is unlocked',
  codes: 'codes',
  schedule: 'dates',
  from: 'from',
  until: 'until',
  readIn: 'whose clock',
  limits: 'how often it may be used',
  inAll: 'in all',
  perShopper: 'for each shopper',
  nearly: 'nearly there',
  share: 'share of the goal',
  markets: 'markets',
  when: 'for whom',
  offer: 'offer',
  goal: 'goal',
  market: 'market',
  arms: '',
  version: 'what its shoppers see',
  smallestEffect: 'smallest difference worth knowing',
  guard: 'ends by itself',
  outcome: 'how it ended',
  kept: 'what is kept',
  learnt: 'what was learnt',
  endedOn: 'last day',
  then: 'what it does to lower goals',
  measure: 'what counts',
  basis: 'how values are taken',
  kind: 'kind',
  goods: 'which goods',
  cap: 'only options up to',
  coversOwnDelivery: 'covers goods with a delivery price of their own',
  price: 'price',
  percent: 'percentage',
  amount: 'amount',
  product: 'product',
  quantity: 'pieces',
  priceOf: 'at the price of',
  tags: 'tags',
  kinds: 'kinds',
  by: 'chosen by',
  label: 'label',
  freeLabel: 'label once free',
  description: 'description',
  estimate: 'estimate',
  min: 'at least',
  max: 'at most',
  unit: 'unit',
  cutOff: 'cut-off',
  calendar: 'calendar',
  place: 'pick-up place',
  zone: 'zone',
  channels: 'channels',
  whenUnavailable: 'text where it cannot be chosen',
  combine: 'how lines combine',
  otherwise: 'when no line applies',
  handling: 'handling',
  packing: 'packing',
  packaging: 'packaging of a parcel',
  roundUpTo: 'rounded up to',
  most: 'the most a parcel may weigh',
  notice: 'notice',
  countdown: 'counts down',
  withinHours: 'hours before',
  at: 'moment',
  questions: '',
  required: 'must be answered',
  longest: 'longest answer',
  choices: '',
  picture: 'picture',
  image: 'image',
  alt: 'words for the picture',
  volumeDivisor: 'volume that counts as a kilogram',
  over: 'range',
  to: 'to below',
  fixed: 'fixed part',
  perUnit: 'price for each unit',
  per: 'size of the unit',
  started: 'started units',
  countsFrom: 'where units begin to count',
  carrier: 'carrier',
  marginPercent: 'margin',
  marginFixed: 'fixed margin',
  fallback: 'fallback',
  countries: 'countries',
  currency: 'currency',
  languages: 'languages',
  tax: 'tax',
  prices: 'prices',
  delivery: 'on delivery',
  classes: 'on goods',
  regions: 'by region',
  cashIncrement: 'cash step',
  preselect: 'option chosen at first',
  elsewhere: 'takes all other countries',
  timeZone: 'clock',
  outOfArea: 'text outside of all zones',
  country: 'country',
  region: 'region',
  center: 'centre',
  distance: 'distance',
  latitude: 'latitude',
  longitude: 'longitude',
  address: 'address',
  street: 'street',
  postcode: 'postcode',
  town: 'town',
  coordinates: 'position',
  hours: 'hours',
  instructions: 'instructions',
  workingDays: 'working days',
  opens: 'opens',
  holidays: 'holidays',
  condition: '',
  rate: 'rate',
  adoptedAt: 'adopted on',
  style: 'style',
  colours: 'colours',
  ground: 'ground',
  ink: 'letters',
  bar: 'bar',
  position: 'position',
  closable: 'can be closed',
  countdownWithin: 'counts down within days',
  silentIn: 'silent in',
  baseCurrency: 'base currency',
  sourceLanguage: 'source language',
  origin: 'where goods leave from',
  invite: 'before the first item',
  progress: 'on the way',
  reached: 'reached',
  onward: 'one reached, the next ahead',
  missedOut: 'missed out',
  everyPlace: 'every place',
  strip: 'strip',
  miniCart: 'mini-cart',
  cart: 'cart',
  checkout: 'checkout',
  measureKind: 'what counts',
};

/** Parts whose entries are told by their position among their siblings. */
const numbered: Readonly<Record<string, string>> = {
  goals: 'goal',
  rewards: 'reward',
  lines: 'line',
  include: 'part',
  exclude: 'part',
  questions: 'question',
  choices: 'choice',
};

const weekdays: Readonly<Record<string, string>> = {
  1: 'Monday',
  2: 'Tuesday',
  3: 'Wednesday',
  4: 'Thursday',
  5: 'Friday',
  6: 'Saturday',
  7: 'Sunday',
};

const own = (table: Readonly<Record<string, string>>, key: string): string | undefined =>
  Object.hasOwn(table, key) ? table[key] : undefined;

/**
 * The way into an entry as readers know it: `goals/first/rewards/delivery/cap/nlbe` is “goal 1, reward, only options up to, in
 * Netherlands & Belgium”.
 *
 * @param entry what the steps begin in
 */
export function stepsInWords(steps: readonly string[], entry: unknown, policy: Policy): string[] {
  const said: string[] = [];
  let here: unknown = entry;
  for (const [index, step] of steps.entries()) {
    const parent = steps[index - 1] ?? '';
    const siblings = here;
    here =
      typeof here === 'object' && here !== null && Object.hasOwn(here, step)
        ? (here as Record<string, unknown>)[step]
        : undefined;
    const kind = own(numbered, parent);
    if (kind !== undefined) {
      const ids = inOrder((siblings ?? {}) as Record<string, { order: number }>).map(([id]) => id);
      said.push(ids.length > 1 ? `${kind} ${ids.indexOf(step) + 1}` : kind);
    } else if (parent === 'hours') said.push(own(weekdays, step) ?? step);
    else if (Object.hasOwn(policy.markets, step)) said.push(`in ${policy.markets[step]!.name}`);
    else if (Object.hasOwn(policy.options, step)) said.push(`“${policy.options[step]!.name}”`);
    else {
      const word = own(words, step);
      if (word === undefined) said.push(step);
      else if (word !== '') said.push(word);
    }
  }
  return said;
}

const kindWords: Readonly<Record<string, string>> = {
  wholeMarket: 'the whole market',
  countedValue: 'the value of goods',
  items: 'pieces',
  weight: 'weight',
  notOffered: 'it is not offered',
  price: 'a price',
};

const isObject = (value: Json | undefined): value is { [key: string]: Json } =>
  typeof value === 'object' && value !== null && !Array.isArray(value);
const isAmount = (value: Json | undefined): boolean => isObject(value) && ('exact' in value || 'following' in value);

/** An amount as a market has it; a following one with what it follows. */
function amountInWords(policy: Policy, marketId: string, amount: LocalAmount, language: string): string {
  const money = localMoneyOf(policy, marketId);
  const minor = resolveAmount(amount, money);
  const shown = minor === null ? 'without a rate' : formatMoney(minor, money.currency, language);
  return 'following' in amount
    ? `${shown}, following ${formatMoney(amount.following.base, money.baseCurrency, language)}`
    : shown;
}

/**
 * A value as readers know it; null where there is none.
 *
 * @param marketId in which amounts hold; null where that is not known
 */
export function valueInWords(
  value: Json | undefined,
  policy: Policy,
  marketId: string | null,
  language: string,
): string | null {
  if (value === undefined || value === null) return null;
  if (typeof value === 'boolean') return value ? 'on' : 'off';
  if (typeof value === 'number') return String(value);
  if (typeof value === 'string')
    return own(kindWords, value) ?? rewardKinds.named(value)?.changed ?? optionKinds.named(value)?.called ?? value;
  if (Array.isArray(value))
    return value.map((item) => valueInWords(item, policy, marketId, language)).join(', ') || 'none';
  if (isAmount(value))
    return amountInWords(
      policy,
      marketId ?? Object.keys(policy.markets)[0] ?? '',
      value as unknown as LocalAmount,
      language,
    );
  if ('count' in value && Object.keys(value).length === 1) return String(value.count);
  return objectInWords(value, policy, marketId, language);
}

function objectInWords(
  value: { [key: string]: Json },
  policy: Policy,
  marketId: string | null,
  language: string,
): string {
  const entries = Object.entries(value);
  if (typeof value.name === 'string') return value.name;
  if (entries.length === 0) return 'none';
  if (entries.every(([, part]) => isAmount(part)))
    return entries
      .map(
        ([market, part]) =>
          `${amountInWords(policy, market, part as unknown as LocalAmount, language)}${Object.hasOwn(policy.markets, market) ? ` in ${policy.markets[market]!.name}` : ''}`,
      )
      .join(', ');
  if (entries.every(([, part]) => part === true))
    return (
      entries
        .slice(0, 8)
        .map(([key]) => {
          if (Object.hasOwn(policy.markets, key)) return policy.markets[key]!.name;
          if (Object.hasOwn(policy.options, key)) return policy.options[key]!.name;
          return own(words, key) || key;
        })
        .join(', ') + (entries.length > 8 ? ` and ${entries.length - 8} more` : '')
    );
  if (entries.every(([, part]) => typeof part === 'string') && entries.every(([key]) => /^[a-z]{2,3}(-|$)/.test(key)))
    return entries.map(([tag, text]) => `“${String(text)}” (${tag})`).join(', ');
  if (typeof value.from === 'string' && typeof value.to === 'string') return `${value.from}–${value.to}`;
  return entries
    .filter(([key]) => key !== 'order')
    .map(([key, part]) => {
      const said = valueInWords(part, policy, marketId, language);
      if (key === 'kind') return said;
      const word = own(words, key);
      return word ? `${word} ${said}` : said;
    })
    .filter((part) => part)
    .join(', ');
}
