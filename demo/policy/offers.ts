import type { Goal, Offer, OptionSelection, Policy, Reward } from '../../src/core/policy/types.ts';
import { exact, following } from './charges.ts';
import { condition, holds } from './qualifiers.ts';

/** Omits the order of each reward of a union. */
type Unordered<T> = T extends unknown ? Omit<T, 'order'> : never;

const rewards = (...list: Unordered<Reward>[]): Goal['rewards'] =>
  Object.fromEntries(list.map((reward, index) => [`reward-${index + 1}`, { ...reward, order: index + 1 } as Reward]));

const goal = (order: number, targets: Goal['targets'], gives: Goal['rewards'], more: Partial<Goal> = {}): Goal => ({
  order,
  measure: { kind: 'countedValue', basis: 'afterDiscountsAsShown' },
  targets,
  then: 'replace',
  rewards: gives,
  ...more,
});

let order = 0;
const offer = (
  name: string,
  note: string,
  priority: number,
  goals: Offer['goals'],
  more: Partial<Offer> = {},
): Offer => ({
  order: ++order,
  name,
  note,
  on: true,
  priority,
  combines: false,
  unlock: { by: 'amount' },
  goals,
  ...more,
});

const parcels: OptionSelection = { by: 'kind', kinds: ['parcel'] };
const free = { kind: 'deliveryFree', on: parcels, coversOwnDelivery: false } satisfies Unordered<Reward>;

export const offers: Policy['offers'] = {
  'free-delivery': offer('Free delivery', 'The standing offer. Look at it again before the spring season.', 10, {
    first: {
      order: 1,
      measure: { kind: 'countedValue', basis: 'afterDiscountsWithTax' },
      targets: {
        nlbe: exact(7500),
        uk: exact(7000),
        dk: following(7500, 1000, { buffer: '1.5', round: 'nearest', less: 100 }),
        ch: following(9000, 500, { round: 'up' }),
        us: exact(9500),
        jp: following(7500, 1000, { round: 'down' }),
      },
      then: 'replace',
      rewards: { delivery: { order: 1, ...free } },
    },
  }),
  'two-steps': offer(
    'Two steps up',
    'Two peaks of order value in this market: a goal for each, and the faster parcel beyond.',
    10,
    {
      shop: goal(
        1,
        { deat: exact(5900) },
        rewards({
          kind: 'deliveryFree',
          on: { by: 'list', options: { 'deat-parcel-shop': true } },
          coversOwnDelivery: false,
        }),
      ),
      door: goal(
        2,
        { deat: exact(7900) },
        rewards({
          kind: 'deliveryAt',
          on: { by: 'list', options: { 'deat-door': true, 'deat-austria-door': true } },
          coversOwnDelivery: false,
          price: { deat: exact(190) },
        }),
        { then: 'add' },
      ),
      express: goal(
        3,
        { deat: exact(13_900) },
        rewards(
          {
            ...free,
            on: { by: 'list', options: { 'deat-door': true, 'deat-parcel-shop': true, 'deat-austria-door': true } },
            coversOwnDelivery: true,
          },
          {
            kind: 'upgrade',
            on: { by: 'tag', tags: ['express'] },
            priceOf: { by: 'list', options: { 'deat-door': true } },
            coversOwnDelivery: true,
            cap: { deat: exact(2500) },
          },
        ),
      ),
    },
    { markets: { deat: true }, nearly: { share: '15' } },
  ),
  'members-sooner': offer(
    'Members sooner',
    'Members reach free delivery earlier than guests.',
    20,
    { first: goal(1, { nlbe: exact(4900), deat: exact(4900), uk: exact(4500), ch: exact(5500) }, rewards(free)) },
    {
      when: condition('all', holds('members')),
      nearly: { amounts: { nlbe: exact(1000), deat: exact(1000), uk: exact(900) } },
    },
  ),
  'first-order': offer(
    'First order',
    'Half of the delivery on the first order, once.',
    15,
    {
      first: goal(
        1,
        { nlbe: exact(2500), deat: exact(2500), uk: exact(2500), ch: exact(3000), us: exact(3000) },
        rewards({ kind: 'deliveryLessPercent', on: { by: 'all' }, coversOwnDelivery: false, percent: '50' }),
        { measure: { kind: 'countedValue', basis: 'beforeDiscountsWithTax' } },
      ),
    },
    { when: condition('all', holds('first-order')), limits: { perShopper: 1 } },
  ),
  trade: offer(
    'Trade delivery',
    'Counts without tax, as trade does; covers the bulky goods too.',
    25,
    {
      first: goal(
        1,
        { nlbe: exact(15_000), deat: exact(15_000), us: exact(20_000) },
        rewards({
          kind: 'deliveryFree',
          on: { by: 'all' },
          coversOwnDelivery: true,
          cap: { nlbe: exact(6000), deat: exact(6000), us: exact(8000) },
        }),
        { measure: { kind: 'countedValue', basis: 'afterDiscountsWithoutTax' } },
      ),
    },
    { when: condition('all', holds('trade')) },
  ),
  'three-spares': offer(
    'Three spares',
    'Small parts travel cheaply together.',
    5,
    {
      first: goal(
        1,
        { dk: { count: 3 }, us: { count: 3 }, jp: { count: 4 } },
        rewards({
          kind: 'deliveryLessAmount',
          on: parcels,
          coversOwnDelivery: false,
          amount: { dk: exact(1500), us: exact(200), jp: exact(200) },
        }),
        {
          measure: { kind: 'items' },
          goods: { categories: ['spares'], unitPriceBelow: { dk: exact(15_000), us: exact(2000), jp: exact(3000) } },
        },
      ),
    },
    { combines: true, markets: { dk: true, us: true, jp: true } },
  ),
  campaign: offer(
    'Autumn letter',
    'Code in the printed letter; goes together with other combining offers.',
    4,
    {
      first: goal(
        1,
        {},
        rewards(
          {
            kind: 'goodsLessPercent',
            percent: '10',
            goods: {
              categories: ['kites', 'windsocks'],
              unitPriceFrom: { nlbe: exact(2000), uk: exact(1800), dk: exact(15_000), us: exact(2200) },
            },
          },
          {
            kind: 'deliveryLessAmount',
            on: { by: 'all' },
            coversOwnDelivery: false,
            amount: { nlbe: exact(200), uk: exact(200), dk: exact(1500), us: exact(200) },
          },
        ),
      ),
    },
    {
      combines: true,
      unlock: { by: 'code', codes: { GUST10: true, GUST11: true } },
      markets: { nlbe: true, uk: true, dk: true, us: true },
      limits: { inAll: 500, perShopper: 2 },
    },
  ),
  'windy-weekend': offer(
    'Windy weekend',
    'A long weekend, and the clocks change in the middle of it.',
    30,
    {
      first: goal(
        1,
        { nlbe: exact(4000), deat: exact(4000), uk: exact(3500), dk: exact(29_900) },
        rewards({ kind: 'deliveryFree', on: { by: 'all' }, coversOwnDelivery: false }),
      ),
    },
    { schedule: { readIn: 'market', from: '2027-03-26T18:00', until: '2027-03-29T00:00' } },
  ),
  postcard: offer(
    'Postcard',
    'Free from the amount, or with the code on the postcard.',
    12,
    {
      first: goal(
        1,
        { dk: exact(39_900) },
        rewards({
          kind: 'deliveryFree',
          on: { by: 'list', options: { 'dk-parcel-shop': true } },
          coversOwnDelivery: false,
        }),
      ),
    },
    { unlock: { by: 'amountOrCode', codes: { POSTCARD: true } }, markets: { dk: true } },
  ),
  'school-term': offer(
    'School term',
    'For schools: the code and the amount together.',
    22,
    {
      first: goal(
        1,
        { deat: exact(10_000), nlbe: exact(10_000) },
        rewards({ kind: 'gift', product: 'kite-book', quantity: 1 }, free),
      ),
    },
    {
      unlock: { by: 'amountAndCode', codes: { SCHOOL: true } },
      schedule: { readIn: 'store', from: '2026-08-01T00:00' },
    },
  ),
  'heavy-load': offer(
    'Heavy load',
    'Anchors and masts weigh; a third off from five kilograms.',
    3,
    {
      first: goal(
        1,
        { ch: { count: 5000 } },
        rewards({ kind: 'deliveryLessPercent', on: { by: 'all' }, coversOwnDelivery: false, percent: '33.3' }),
        { measure: { kind: 'weight' } },
      ),
    },
    { combines: true, markets: { ch: true } },
  ),
  'kite-week-fans': offer(
    'Kite week',
    'For good customers, in kite week or after stock-taking.',
    28,
    { first: goal(1, { nlbe: exact(3000), deat: exact(3000) }, rewards(free)) },
    { when: condition('all', holds('kite-week-fans')) },
  ),
  'app-evening': offer(
    'App evening',
    'At night in the app, on the mainland of where we began; not with small baskets.',
    14,
    {
      first: goal(
        1,
        { nlbe: exact(3500), deat: exact(3500) },
        rewards({ ...free, cap: { nlbe: exact(700), deat: exact(700) } }),
      ),
    },
    {
      when: {
        of: 'all',
        conditions: {
          ...condition('all', holds('in-the-app'), holds('night-hours'), holds('mainland'), holds('euro-countries'))
            .conditions,
          small: {
            order: 9,
            kind: 'group',
            ...condition('none', holds('small-basket'), holds('bulk-buy'), holds('dear-basket'), holds('spares-only')),
          },
        },
      },
    },
  ),
  neighbours: offer(
    'Neighbours',
    'Close by, or with a postcard: the beach round for less.',
    9,
    {
      first: goal(
        1,
        { nlbe: exact(2000) },
        rewards({
          kind: 'deliveryAt',
          on: { by: 'tag', tags: ['own'] },
          coversOwnDelivery: true,
          price: { nlbe: exact(100) },
        }),
        { measure: { kind: 'countedValue', basis: 'beforeDiscountsAsShown' } },
      ),
    },
    { when: condition('any', holds('close-by'), holds('postcard-code')), markets: { nlbe: true } },
  ),
  'last-autumn': offer(
    'Last autumn',
    'Free from less while it lasted. Kept to compare with.',
    5,
    { first: goal(1, { nlbe: exact(6000), deat: exact(6000) }, rewards(free)) },
    { on: false, archived: true, schedule: { readIn: 'store', from: '2025-10-01T00:00', until: '2025-12-01T00:00' } },
  ),
};
