import type { Policy, TestCart } from '../../src/core/policy/types.ts';
import { exact } from './charges.ts';
import { shop } from './zones.ts';

type Where = TestCart['destination'];
let order = 0;
const cart = (
  name: string,
  language: string,
  destination: Where,
  lines: Record<string, number>,
  more: Partial<TestCart> = {},
): TestCart => ({
  order: ++order,
  name,
  pinned: false,
  language,
  destination,
  lines: Object.fromEntries(
    Object.entries(lines).map(([product, quantity], index) => [product, { order: index + 1, quantity }]),
  ),
  ...more,
});
const pinned = { pinned: true };
const nl: Where = { country: 'NL', postcode: '1799 ZA' };
const de: Where = { country: 'DE', postcode: '19999' };
const at: Where = { country: 'AT', postcode: '1999' };
const gb: Where = { country: 'GB', postcode: 'ZZ1 1ZZ' };
const dk: Where = { country: 'DK', postcode: '9199' };
const ch: Where = { country: 'CH', postcode: '8999' };
const us: Where = { country: 'US', postcode: '00099' };
const jp: Where = { country: 'JP', postcode: '999-9999' };
const closeBy: Where = { ...nl, coordinates: { latitude: shop.latitude + 0.02, longitude: shop.longitude } };
const member = {
  signedIn: true,
  individual: 'S-1042',
  groups: ['members'],
  orderCount: 4,
  lastOrderAt: '2026-10-02T09:00Z',
  lifetimeSpend: 31_250,
};
const newcomer = { signedIn: true, individual: 'S-2001', orderCount: 0, lifetimeSpend: 0 };
const school = {
  signedIn: true,
  individual: 'S-3100',
  groups: ['schools'],
  tags: ['invoice'],
  business: true,
  orderCount: 12,
  lastOrderAt: '2026-09-14T08:30Z',
  lifetimeSpend: 240_000,
};
const returning = {
  signedIn: true,
  individual: 'S-0977',
  orderCount: 3,
  lastOrderAt: '2026-01-20T12:00Z',
  lifetimeSpend: 38_900,
};
/** A Wednesday at noon in the shop. */
const midweek = '2026-11-25T11:00Z';

/** Between them they go through everything that the demo's policy says; those pinned stand on the bench. */
export const testCarts: Policy['testCarts'] = {
  'beach-day': cart(
    'Beach day',
    'nl-NL',
    nl,
    { 'tidewing-16': 1, 'line-50': 1, winder: 2 },
    {
      ...pinned,
      expects: {
        options: { 'nlbe-door': 595, 'nlbe-counter': null },
        goals: { 'free-delivery': false },
        messages: { strip: 'Nog €\u00a013,20 tot gratis bezorging.' },
        toPay: 6775,
      },
    },
  ),
  'first-stunt-kite': cart(
    'First stunt kite',
    'nl-NL',
    { country: 'BE', postcode: '8499' },
    { 'petrel-stunt': 1, 'repair-tape': 1 },
    pinned,
  ),
  'gift-and-spares': cart(
    'Gift card and spares',
    'en-GB',
    gb,
    { 'gift-card-25': 1, 'gull-delta': 1, 'reel-small': 2, 'swivel-pack': 3 },
    pinned,
  ),
  'two-steps-on': cart('On to the next step', 'de-DE', de, { 'night-heron': 1 }, pinned),
  'two-steps-arabic': cart(
    'The same, read in Arabic',
    'ar-DE',
    de,
    { 'night-heron': 1 },
    { placed: { charged: 590, option: 'deat-door', exception: 'agreed on the telephone' } },
  ),
  'coins-in-zurich': cart('Paid in coins', 'de-CH', ch, { 'dune-hopper': 1, 'reel-brake': 1 }, pinned),

  'member-midweek': cart('Member, midweek', 'nl-NL', nl, { 'tidewing-16': 1 }, { shopper: member, at: midweek }),
  'member-there': cart('Member, there already', 'nl-NL', nl, { 'tidewing-20': 1 }, { shopper: member, at: midweek }),
  newcomer: cart(
    'First order',
    'nl-NL',
    nl,
    { 'gull-delta': 1 },
    { shopper: newcomer, redemptions: { 'first-order': { inAll: 212, byShopper: 0 } } },
  ),
  'newcomer-again': cart(
    'First order, used already',
    'nl-NL',
    nl,
    { 'gull-delta': 1 },
    { shopper: newcomer, redemptions: { 'first-order': { inAll: 213, byShopper: 1 } } },
  ),
  'school-order': cart(
    'School with code',
    'de-DE',
    { ...de, residential: false },
    { 'dune-hopper': 6, 'kite-book': 1 },
    { shopper: school, codes: ['school'], at: midweek },
  ),
  'school-no-code': cart(
    'School without code',
    'de-DE',
    { ...de, residential: false },
    { 'dune-hopper': 10, 'beach-shelter': 1 },
    { shopper: school, at: midweek },
  ),
  'trade-bulky': cart(
    'Trade, bulky',
    'nl-NL',
    { ...nl, residential: false },
    { 'beach-shelter': 2, 'sand-anchor': 2 },
    { shopper: { ...school, groups: ['trade'] }, at: midweek },
  ),
  'trade-on-hold': cart(
    'Trade, on hold',
    'nl-NL',
    { ...nl, residential: false },
    { 'beach-shelter': 2 },
    { shopper: { ...school, groups: ['trade'], tags: ['on-hold'] }, at: midweek },
  ),
  'back-after-long': cart(
    'Back after long, kite week',
    'nl-NL',
    nl,
    { 'gull-delta': 1, 'line-25': 1 },
    { shopper: returning, at: '2027-05-05T10:00Z' },
  ),
  'member-after-stock': cart(
    'Member after stock-taking',
    'nl-NL',
    nl,
    { 'gull-delta': 1, 'line-25': 1 },
    { shopper: member, at: '2027-06-01T10:00Z' },
  ),

  'islands-light': cart(
    'Islands, light',
    'nl-NL',
    { country: 'NL', postcode: '8893 AB' },
    { 'tidewing-16': 1, 'line-25': 1 },
    { quotes: { 'island-air': 1850 } },
  ),
  'islands-heavy': cart(
    'Islands, heavy, no flight',
    'nl-NL',
    { country: 'NL', postcode: '1797 ZB' },
    { 'ground-anchor': 3 },
    { quotes: { 'island-air': null } },
  ),
  'islands-mast': cart('Islands, a mast', 'nl-NL', { country: 'NL', postcode: '8891 AB' }, { 'windsock-mast': 1 }),
  'islands-harbour': cart(
    'Harbour of the islands',
    'nl-NL',
    { country: 'NL', postcode: '1795 ZX' },
    { 'sticker-sheet': 2 },
    {},
  ),
  'not-quite-island': cart(
    'Landed on the mainland',
    'nl-NL',
    { country: 'NL', postcode: '8895 ZZ' },
    { 'sticker-sheet': 1, 'beach-shelter': 1 },
  ),
  'round-in-time': cart('Beach round, in time', 'nl-NL', closeBy, { 'tidewing-16': 1, 'line-50': 1 }, { at: midweek }),
  'round-too-late': cart(
    'Beach round, too late',
    'nl-NL',
    closeBy,
    { 'windsock-mast': 1 },
    { at: '2026-11-25T19:30Z', earlier: { option: 'nlbe-round-van', price: 100 } },
  ),
  'round-postcard': cart(
    'A little further, with a postcard',
    'nl-NL',
    { ...nl, coordinates: { latitude: shop.latitude + 0.1, longitude: shop.longitude } },
    { 'gull-delta': 1 },
    { codes: ['postcard'], at: midweek },
  ),
  'round-dear': cart('Close by, dear', 'nl-NL', closeBy, { 'skua-power': 1, 'line-25': 1 }, { at: midweek }),
  'at-the-counter': cart(
    'At the counter',
    'nl-NL',
    nl,
    { winder: 1 },
    { channel: 'counter', earlier: { option: 'nlbe-door', price: 595 } },
  ),
  'app-at-night': cart('App at night', 'nl-NL', nl, { 'tidewing-16': 1 }, { channel: 'app', at: '2026-11-25T22:30Z' }),
  'app-small': cart(
    'App at night, small',
    'nl-NL',
    nl,
    { 'repair-tape': 2 },
    { channel: 'app', at: '2026-11-25T22:30Z' },
  ),
  'app-bulk': cart(
    'App at night, many',
    'nl-NL',
    nl,
    { 'dune-hopper': 12, 'skua-power-5': 3 },
    { channel: 'app', at: '2026-11-25T22:30Z' },
  ),
  'letter-code': cart(
    'Code from the letter',
    'nl-NL',
    nl,
    { 'night-heron': 1, 'line-25': 1 },
    { codes: ['GUST10'], redemptions: { campaign: { inAll: 499, byShopper: 1 } } },
  ),
  'letter-used-up': cart(
    'Code, used up',
    'nl-NL',
    nl,
    { 'night-heron': 1 },
    { codes: ['GUST10'], redemptions: { campaign: { inAll: 500 } } },
  ),
  'shop-discounts': cart(
    'Discounts of the shop',
    'nl-NL',
    nl,
    { 'petrel-stunt': 1, 'kite-book': 1, 'gift-card-25': 1 },
    {
      codes: ['AUTUMN'],
      discounts: {
        autumn: {
          order: 1,
          discount: {
            kind: 'percent',
            percent: '15',
            code: 'AUTUMN',
            goods: { categories: ['kites', 'books'] },
            from: 5000,
          },
        },
        sorry: { order: 2, discount: { kind: 'amount', amount: 500 } },
        small: {
          order: 3,
          discount: { kind: 'percent', percent: '5', below: 4000, goods: { unitPriceBelow: { nlbe: exact(3000) } } },
        },
      },
    },
  ),
  luxembourg: cart('To Luxembourg', 'nl-NL', { country: 'LU', postcode: '9999' }, { winder: 1 }),
  'plans-only': cart('Plans only', 'nl-NL', nl, { 'plan-box': 1, 'plan-delta': 1 }),

  'windy-before': cart('Before the windy weekend', 'de-DE', de, { 'box-classic': 1 }, { at: '2027-03-26T16:59Z' }),
  'windy-begins': cart('The windy weekend begins', 'de-DE', de, { 'box-classic': 1 }, { at: '2027-03-26T17:00Z' }),
  'windy-last-minute': cart(
    'Its last minute, clocks changed',
    'de-DE',
    de,
    { 'box-classic': 1 },
    { at: '2027-03-28T21:59Z' },
  ),
  'windy-over': cart('It is over', 'de-DE', de, { 'box-classic': 1 }, { at: '2027-03-28T22:00Z' }),
  'nothing-yet': cart('Nothing in the cart yet', 'de-DE', de, {}),
  'express-quoted': cart(
    'Express, quoted',
    'de-DE',
    de,
    { 'skua-power': 1, 'line-50': 1 },
    { quotes: { 'gale-express': 1180 }, earlier: { option: 'deat-express', price: 1348 } },
  ),
  'express-silent': cart(
    'Express, carrier silent',
    'de-DE',
    de,
    { 'tidewing-16': 1 },
    { quotes: { 'gale-express': null }, earlier: { option: 'deat-express', price: 1490 } },
  ),
  'long-and-heavy': cart('Long and heavy', 'de-DE', de, { 'windsock-mast': 1, 'ground-anchor': 1 }),
  'austria-bulky': cart('To Austria, bulky', 'de-DE', at, { 'kite-tube-200': 2 }),
  'austria-small': cart('To Austria, small', 'de-DE', at, { 'end-caps': 1 }),

  highlands: cart('To the Highlands', 'en-GB', { country: 'GB', postcode: 'ZZ9 9ZZ' }, { 'box-classic': 1 }),
  'highlands-summer': cart(
    'To the Highlands in June',
    'en-GB',
    { country: 'GB', postcode: 'ZY1 4ZZ' },
    { 'skua-power': 1 },
    { at: '2026-06-10T12:00Z' },
  ),
  'british-small': cart('A first kite', 'en-GB', gb, { 'dune-hopper': 1 }),
  'highland-town': cart('To the highland town', 'en-GB', { country: 'GB', postcode: 'ZZ9 1AA' }, { 'skua-power': 1 }),

  'postcard-code': cart('Postcard code', 'da-DK', dk, { 'spar-set': 1 }, { codes: ['POSTCARD'] }),
  'danish-spares': cart(
    'Spares with a letter',
    'da-DK',
    dk,
    { 'swivel-pack': 2, 'end-caps': 1, 'dune-hopper': 1 },
    { codes: ['gust11'] },
  ),
  'danish-between': cart('Between 549 and 599', 'da-DK', dk, { 'tidewing-20': 1, 'dune-hopper': 1 }),
  'danish-many-lines': cart('Many lines', 'da-DK', dk, {
    'swivel-pack': 1,
    'end-caps': 1,
    'bridle-kit': 1,
    'repair-tape': 1,
    winder: 1,
  }),
  'swiss-heavy': cart('Heavy load', 'fr-CH', ch, { 'ground-anchor': 2 }),

  'new-york': cart('New York, taxed', 'en-US', { ...us, region: 'US-NY' }, { 'petrel-stunt': 1, 'kite-book': 1 }),
  california: cart('California, delivery untaxed', 'en-US', { ...us, region: 'US-CA' }, { 'spar-set': 3 }),
  'us-trade': cart(
    'Trade with a dear basket',
    'en-US',
    { ...us, region: 'US-NY', residential: false },
    { 'skua-power-5': 3 },
    { shopper: { ...school, groups: ['trade'] } },
  ),
  alaska: cart('To Alaska', 'en-US', { ...us, region: 'US-AK' }, { 'gull-delta': 2 }),
  'hawaii-barred': cart('May not go to Hawaii', 'en-US', { ...us, region: 'US-HI' }, { 'skua-power': 1 }),
  'warehouse-miles': cart(
    'Twelve miles from the warehouse',
    'en-US',
    { ...us, coordinates: { latitude: 40.7, longitude: -73.97 } },
    { 'tidewing-20': 1 },
  ),
  canada: cart('To Canada', 'en-US', { country: 'CA', postcode: '' }, { 'tidewing-20': 1 }),

  'tokyo-volume': cart('Volume decides', 'ja-JP', jp, { 'kite-tube-120': 1, 'spar-set': 1 }),
  'tokyo-reached': cart('Goal in whole yen', 'ja-JP', { ...jp, region: 'JP-01' }, { 'petrel-stunt': 1 }),
};
