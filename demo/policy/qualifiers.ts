import type { Condition, ConditionNode, Policy } from '../../src/core/policy/types.ts';
import { exact } from './charges.ts';
import { shop } from './zones.ts';

/** Omits the order of each node of a union. */
type Unordered<T> = T extends unknown ? Omit<T, 'order'> : never;
export type Node = Unordered<ConditionNode>;

export const condition = (of: Condition['of'], ...nodes: Node[]): Condition => ({
  of,
  conditions: Object.fromEntries(
    nodes.map((node, index) => [`c${index + 1}`, { ...node, order: index + 1 } as ConditionNode]),
  ),
});
export const holds = (qualifier: string): Node => ({ kind: 'qualifier', qualifier });
const any = (...nodes: Node[]): Node => ({ kind: 'group', ...condition('any', ...nodes) });
const none = (...nodes: Node[]): Node => ({ kind: 'group', ...condition('none', ...nodes) });

let order = 0;
const qualifier = (name: string, of: Condition): Policy['qualifiers'][string] => ({
  order: ++order,
  name,
  condition: of,
});

export const qualifiers: Policy['qualifiers'] = {
  members: qualifier(
    'Members',
    condition(
      'all',
      { kind: 'yesNo', fact: 'shopper.signedIn', is: true },
      { kind: 'word', fact: 'shopper.group', operator: 'contains', values: ['members'] },
    ),
  ),
  'first-order': qualifier('First order', condition('all', { kind: 'yesNo', fact: 'shopper.firstOrder', is: true })),
  trade: qualifier(
    'Trade and schools',
    condition(
      'all',
      { kind: 'yesNo', fact: 'shopper.business', is: true },
      { kind: 'word', fact: 'shopper.group', operator: 'oneOf', values: ['trade', 'schools'] },
      { kind: 'word', fact: 'shopper.tag', operator: 'noneOf', values: ['on-hold'] },
      { kind: 'yesNo', fact: 'destination.residential', is: false },
      none({ kind: 'word', fact: 'shopper.billingCountry', operator: 'oneOf', values: ['CA', 'US'] }),
    ),
  ),
  'long-away': qualifier(
    'Back after long',
    condition(
      'all',
      { kind: 'number', fact: 'shopper.daysSinceLastOrder', operator: 'atLeast', value: 180 },
      { kind: 'number', fact: 'shopper.orderCount', operator: 'between', value: 1, to: 20 },
      { kind: 'number', fact: 'shopper.lifetimeSpend', operator: 'moreThan', value: 20_000 },
      { kind: 'word', fact: 'shopper.individual', operator: 'isNot', values: ['S-0000'] },
    ),
  ),
  'fits-the-van': qualifier(
    'Fits the van',
    condition(
      'all',
      { kind: 'number', fact: 'cart.weight', operator: 'atMost', value: 12_000 },
      { kind: 'number', fact: 'cart.longestSide', operator: 'lessThan', value: 1500 },
      { kind: 'number', fact: 'cart.volume', operator: 'lessThan', value: 200_000 },
      { kind: 'number', fact: 'cart.chargeableWeight', operator: 'atMost', value: 40_000 },
      { kind: 'number', fact: 'cart.parcels', operator: 'lessThan', value: 4 },
    ),
  ),
  'beach-hours': qualifier(
    'Beach hours',
    condition(
      'all',
      { kind: 'weekday', days: [3, 4, 5, 6, 7], readIn: 'store' },
      { kind: 'timeOfDay', from: '09:00', to: '18:00', readIn: 'store' },
    ),
  ),
  'night-hours': qualifier(
    'At night',
    condition('all', { kind: 'timeOfDay', from: '22:00', to: '06:00', readIn: 'market' }),
  ),
  'heavy-goods': qualifier(
    'Heavy goods',
    condition('all', { kind: 'contents', operator: 'contains', goods: { tags: ['heavy'] } }),
  ),
  'spares-only': qualifier(
    'Nothing but spares',
    condition('all', { kind: 'contents', operator: 'only', goods: { categories: ['spares', 'lines', 'reels'] } }),
  ),
  'no-gift-cards': qualifier(
    'Without gift cards',
    condition('all', { kind: 'contents', operator: 'none', goods: { products: ['gift-card-25', 'gift-card-50'] } }),
  ),
  'bulk-buy': qualifier(
    'Many of one thing',
    condition(
      'any',
      { kind: 'number', fact: 'line.quantity', operator: 'atLeast', value: 10 },
      { kind: 'number', fact: 'category.quantity', operator: 'atLeast', value: 20 },
      { kind: 'number', fact: 'cart.items', operator: 'moreThan', value: 24 },
      { kind: 'number', fact: 'cart.lines', operator: 'is', value: 12 },
      { kind: 'goodsNumber', fact: 'cart.quantityOf', goods: { categories: ['kites'] }, operator: 'atLeast', value: 5 },
    ),
  ),
  'dear-basket': qualifier(
    'Dear basket',
    condition(
      'any',
      {
        kind: 'goodsMoney',
        fact: 'cart.valueOf',
        basis: 'afterDiscountsAsShown',
        goods: { categories: ['kites'] },
        operator: 'moreThan',
        amounts: { nlbe: exact(30_000), deat: exact(30_000), us: exact(32_000) },
      },
      {
        kind: 'money',
        fact: 'cart.goodsValue',
        basis: 'beforeDiscountsWithTax',
        operator: 'atLeast',
        amounts: { nlbe: exact(50_000), deat: exact(50_000), us: exact(52_000) },
      },
      {
        kind: 'money',
        fact: 'line.value',
        basis: 'beforeDiscountsWithoutTax',
        operator: 'between',
        amounts: { us: exact(40_000) },
        to: { us: exact(90_000) },
      },
    ),
  ),
  'small-basket': qualifier(
    'Small basket',
    condition(
      'all',
      {
        kind: 'money',
        fact: 'cart.countedValue',
        basis: 'afterDiscountsAsShown',
        operator: 'lessThan',
        amounts: { nlbe: exact(2500), deat: exact(2500), ch: exact(3000), us: exact(2800) },
      },
      { kind: 'number', fact: 'cart.items', operator: 'isNot', value: 0 },
    ),
  ),
  'in-the-app': qualifier(
    'In the app',
    condition(
      'all',
      { kind: 'word', fact: 'cart.channel', operator: 'is', values: ['app'] },
      { kind: 'word', fact: 'cart.currency', operator: 'oneOf', values: ['EUR', 'DKK'] },
    ),
  ),
  'postcard-code': qualifier(
    'Postcard code entered',
    condition('all', { kind: 'word', fact: 'cart.code', operator: 'oneOf', values: ['POSTCARD', 'SEABREEZE'] }),
  ),
  mainland: qualifier(
    'Mainland',
    condition(
      'none',
      { kind: 'word', fact: 'destination.zone', operator: 'oneOf', values: ['nlbe-islands', 'uk-highlands', 'us-far'] },
      { kind: 'word', fact: 'destination.region', operator: 'oneOf', values: ['US-AK', 'US-HI'] },
      { kind: 'postcode', patterns: ['8891..8899', '1795ZX'] },
    ),
  ),
  'euro-countries': qualifier(
    'Where we began',
    condition(
      'all',
      { kind: 'word', fact: 'destination.country', operator: 'oneOf', values: ['NL', 'BE', 'DE', 'AT'] },
      { kind: 'word', fact: 'destination.market', operator: 'isNot', values: ['us'] },
    ),
  ),
  'close-by': qualifier(
    'Close to the shop',
    condition('all', { kind: 'distance', center: shop, operator: 'atMost', value: 8 }),
  ),
  'kite-week': qualifier(
    'Kite week',
    condition('all', {
      kind: 'instant',
      operator: 'between',
      at: '2027-05-03T00:00',
      to: '2027-05-10T00:00',
      readIn: 'store',
    }),
  ),
  'after-stock-taking': qualifier(
    'After stock-taking',
    condition(
      'all',
      { kind: 'instant', operator: 'after', at: '2027-04-27T17:00', readIn: 'Europe/Amsterdam' },
      { kind: 'instant', operator: 'before', at: '2027-10-31T02:30', readIn: 'Europe/Amsterdam' },
    ),
  ),
  'good-customers': qualifier('Good customers', condition('any', holds('members'), holds('long-away'), holds('trade'))),
  'kite-week-fans': qualifier(
    'Kite week for good customers',
    condition(
      'all',
      any(holds('kite-week'), holds('after-stock-taking')),
      holds('good-customers'),
      holds('no-gift-cards'),
    ),
  ),
};
