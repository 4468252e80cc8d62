import { Type, type Static } from '@sinclair/typebox';
import type { AskedCart } from '../../core/evaluation/asked-cart.ts';
import type { OrderReason, OrderVerdict } from '../../core/orders/placed/compare-order.ts';
import { largestAmount } from '../../core/money/rounding.ts';
import { list, minor, moment, named, nullable, object, optional, text, whole, word, written } from '../shape.ts';
import { ProblemShape } from './problem.ts';
import { askedCartSchema, cartDefinitions, shopperKey } from './quote-request.ts';

/** An order as a shop reports it. */
export interface PlacedOrder {
  number: string;
  /** ISO 8601, UTC */
  placedAt: string;
  /** id of the signed quote that it rests on; else the cart is brought along */
  quote?: string;
  cart?: AskedCart;
  /** the option that was taken; null: nothing is delivered */
  option: string | null;
  /** charged for it, minor units as the market shows prices */
  delivery: number;
  /** the offers that were redeemed; without, those that the rules give */
  offers?: string[];
  shopperKey?: string;
}

const ref = (name: string) => ({ $ref: `#/$defs/${name}` });

/** So many orders are reported in one call. */
export const mostOrders = 1000;

const orderNumber = {
  description: '1 to 40 characters',
  type: 'string',
  pattern: '^[^\\s\\u0000-\\u001f]([^\\u0000-\\u001f]{0,38}[^\\s\\u0000-\\u001f])?$',
};

const placedOrder = {
  type: 'object',
  additionalProperties: false,
  required: ['number', 'placedAt', 'option', 'delivery'],
  oneOf: [{ required: ['quote'] }, { required: ['cart'] }],
  properties: {
    number: orderNumber,
    placedAt: { ...ref('instant'), description: 'ISO 8601, UTC' },
    quote: {
      description: 'the id of the signed quote that it rests on',
      type: 'string',
      pattern: '^[A-Za-z0-9_-]{22}$',
    },
    cart: { ...askedCartSchema, description: 'what was ordered, where no signed quote is named' },
    option: { description: 'what was chosen; null: nothing is delivered', oneOf: [ref('id'), { type: 'null' }] },
    delivery: {
      description: 'charged for it, minor units, with or without tax as the market shows prices',
      type: 'integer',
      minimum: 0,
      maximum: largestAmount,
    },
    offers: {
      description: 'the offers that were redeemed; without, those that the rules give',
      type: 'array',
      maxItems: 50,
      uniqueItems: true,
      items: ref('id'),
    },
    shopperKey,
  },
};

export const PlacedOrdersShape = written<{ orders: PlacedOrder[] }>({
  $id: 'https://summant.example.com/schema/placed-orders',
  type: 'object',
  additionalProperties: false,
  required: ['orders'],
  properties: { orders: { type: 'array', minItems: 1, maxItems: mostOrders, items: placedOrder } },
  $defs: cartDefinitions,
});

export const ForgottenShopperShape = written<{ shopperKey: string }>({
  $id: 'https://summant.example.com/schema/forgotten-shopper',
  type: 'object',
  additionalProperties: false,
  required: ['shopperKey'],
  properties: { shopperKey },
});

export const CancelledOrdersShape = written<{ numbers: string[] }>({
  $id: 'https://summant.example.com/schema/cancelled-orders',
  type: 'object',
  additionalProperties: false,
  required: ['numbers'],
  properties: { numbers: { type: 'array', minItems: 1, maxItems: mostOrders, items: orderNumber } },
});

const verdict = word('agrees', 'more', 'less', 'notOffered', 'offerNotDue', 'notCompared');
const compared = {
  verdict: written<OrderVerdict>({
    ...verdict,
    description: 'how what was charged for delivery stands toward what the rules charge',
  }),
  because: nullable(
    written<OrderReason>({ type: 'string', description: 'why it is not offered as it was taken, or not compared' }),
  ),
  offer: nullable(Type.String({ description: 'the offer that was not due' })),
  expected: nullable(Type.Integer({ description: 'what the rules charge, minor units; null where they do not say' })),
};

/** What became of each order, in the order in which they were reported. */
export const ReportedOrdersShape = object({
  orders: list(
    object({
      number: text,
      outcome: word('new', 'known', 'cancelled', 'refused'),
      ...compared,
      verdict: nullable(compared.verdict),
      problem: nullable(ProblemShape),
    }),
  ),
});
export type ReportedOrder = Static<typeof ReportedOrdersShape>['orders'][number];

export const CancelOutcomesShape = object({
  orders: list(object({ number: text, outcome: word('cancelled', 'wasCancelled', 'unknown') })),
});
export type CancelOutcome = Static<typeof CancelOutcomesShape>['orders'][number];

export const ListedOrderShape = named(
  'PlacedOrder',
  object({
    number: text,
    placedAt: moment,
    reportedAt: moment,
    cancelledAt: nullable(moment),
    market: text,
    currency: text,
    option: nullable(text),
    delivery: minor,
    ...compared,
    release: nullable(Type.Integer({ description: 'the one that it was compared with' })),
    arm: Type.String({
      description: 'the arm that it was compared with, as ids of experiment and arm with a slash between; empty: none',
    }),
    offers: Type.Array(text, { description: 'the offers that it has redeemed' }),
    asked: nullable(
      written<AskedCart>({ type: 'object', description: 'what was asked, of orders where shop and rules disagree' }),
    ),
  }),
);
export type ListedOrder = Static<typeof ListedOrderShape>;

export const ListedOrdersShape = object({
  orders: list(ListedOrderShape),
  next: nullable(Type.String({ description: 'hand it back as `after` for those that follow; null: there are none' })),
});

/** How many agree in a stretch of time, and how many do not, by how. */
export const AgreementShape = object({
  orders: whole,
  compared: whole,
  disagreeing: object({ more: whole, less: whole, notOffered: whole, offerNotDue: whole }),
  /** what was charged beyond what the rules charge, by currency, minor units */
  charged: list(object({ currency: text, beyond: minor, below: minor })),
});
export type Agreement = Static<typeof AgreementShape>;

const day = Type.String({ pattern: '^[0-9]{4}-[0-9]{2}-[0-9]{2}T[0-9:.]{5,12}Z$' });
const name = Type.String({ pattern: '^[a-z0-9][a-z0-9-]{0,39}$' });

/** Orders placed in a stretch of time, [from, until). */
export const PlacedBetweenShape = object({ from: optional(day), until: optional(day), market: optional(name) });
export const OrderListQueryShape = object({
  ...PlacedBetweenShape.properties,
  verdict: optional(word('agrees', 'more', 'less', 'notOffered', 'offerNotDue', 'notCompared', 'disagrees')),
  offer: optional(name),
  state: optional(word('all', 'standing', 'cancelled')),
  after: optional(Type.String({ maxLength: 100 })),
});
export type OrderListQuery = Static<typeof OrderListQueryShape>;
export type PlacedBetween = Static<typeof PlacedBetweenShape>;
