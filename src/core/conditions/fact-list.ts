import type { LeafNode } from './compile-leaf.ts';

/** What a condition can ask about: a leaf's kind, and of kinds with several facts which. */
export type FactId =
  Extract<LeafNode, { fact: string }>['fact'] | Exclude<LeafNode['kind'], Extract<LeafNode, { fact: string }>['kind']>;

export interface FactEntry {
  id: FactId;
  about: 'The shopper' | 'The cart' | 'The destination' | 'The moment';
  /** as the sentence begins */
  name: string;
  /** other everyday words under which one looks for it */
  also: string;
}

/** Every fact in everyday words, in the order in which they are offered. */
export const factList: readonly FactEntry[] = [
  { id: 'shopper.signedIn', about: 'The shopper', name: 'is signed in', also: 'guest account logged in member' },
  {
    id: 'shopper.group',
    about: 'The shopper',
    name: 'is in a group',
    also: 'members segment customers club school trade',
  },
  { id: 'shopper.tag', about: 'The shopper', name: 'is tagged', also: 'label mark' },
  {
    id: 'shopper.firstOrder',
    about: 'The shopper',
    name: 'orders for the first time',
    also: 'new customer first order newcomer',
  },
  {
    id: 'shopper.orderCount',
    about: 'The shopper',
    name: 'has ordered a number of times',
    also: 'past orders loyal returning history',
  },
  {
    id: 'shopper.daysSinceLastOrder',
    about: 'The shopper',
    name: 'last ordered some days ago',
    also: 'win back returning lapsed absent recency',
  },
  {
    id: 'shopper.lifetimeSpend',
    about: 'The shopper',
    name: 'has spent so far',
    also: 'lifetime value turnover total spend',
  },
  {
    id: 'shopper.business',
    about: 'The shopper',
    name: 'buys for a business',
    also: 'company trade firm private consumer',
  },
  {
    id: 'shopper.individual',
    about: 'The shopper',
    name: 'is one of these people',
    also: 'person customer number id individual',
  },
  { id: 'cart.goodsValue', about: 'The cart', name: 'goods value', also: 'amount total spend money price subtotal' },
  {
    id: 'cart.countedValue',
    about: 'The cart',
    name: 'value that counts toward goals',
    also: 'amount total spend money threshold',
  },
  { id: 'cart.items', about: 'The cart', name: 'number of items', also: 'pieces quantity count' },
  { id: 'cart.lines', about: 'The cart', name: 'number of lines', also: 'different products articles' },
  {
    id: 'contents',
    about: 'The cart',
    name: 'contains goods',
    also: 'product category tag has holds only without nothing but',
  },
  {
    id: 'cart.valueOf',
    about: 'The cart',
    name: 'value of certain goods',
    also: 'amount of category product spend on',
  },
  {
    id: 'cart.quantityOf',
    about: 'The cart',
    name: 'number of certain goods',
    also: 'pieces of category product quantity',
  },
  {
    id: 'line.quantity',
    about: 'The cart',
    name: 'number of one product',
    also: 'line quantity pieces of the same bulk',
  },
  { id: 'line.value', about: 'The cart', name: 'value of one line', also: 'amount dear expensive product' },
  { id: 'cart.weight', about: 'The cart', name: 'weight', also: 'heavy light kilograms grams' },
  { id: 'cart.chargeableWeight', about: 'The cart', name: 'chargeable weight', also: 'volumetric bulky heavy' },
  { id: 'cart.volume', about: 'The cart', name: 'volume', also: 'bulky size cubic' },
  { id: 'cart.longestSide', about: 'The cart', name: 'longest side', also: 'length long size millimetres' },
  { id: 'cart.code', about: 'The cart', name: 'has a code', also: 'coupon voucher promotion campaign' },
  { id: 'cart.currency', about: 'The cart', name: 'currency', also: 'money euro pound' },
  { id: 'cart.channel', about: 'The cart', name: 'channel', also: 'web app shop counter phone' },
  { id: 'destination.country', about: 'The destination', name: 'country', also: 'where land nation' },
  { id: 'destination.region', about: 'The destination', name: 'region', also: 'state province canton where' },
  { id: 'postcode', about: 'The destination', name: 'postcode', also: 'zip area where' },
  {
    id: 'distance',
    about: 'The destination',
    name: 'distance from a place',
    also: 'radius near kilometres local where',
  },
  { id: 'destination.zone', about: 'The destination', name: 'zone', also: 'area where' },
  { id: 'destination.market', about: 'The destination', name: 'market', also: 'where country' },
  {
    id: 'destination.residential',
    about: 'The destination',
    name: 'is residential',
    also: 'home house business address',
  },
  {
    id: 'weekday',
    about: 'The moment',
    name: 'day of the week',
    also: 'weekend monday tuesday wednesday thursday friday saturday sunday',
  },
  { id: 'timeOfDay', about: 'The moment', name: 'time of day', also: 'hour evening night morning happy hour' },
  { id: 'instant', about: 'The moment', name: 'date', also: 'from until between before after season holiday' },
];

/** The entry of a leaf's fact. */
export const factOf = (node: LeafNode): FactEntry => byId.get('fact' in node ? node.fact : node.kind)!;
const byId = new Map(factList.map((entry) => [entry.id, entry]));
