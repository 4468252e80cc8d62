import type { AskedCart } from '../../core/evaluation/asked-cart.ts';
import { largestAmount } from '../../core/money/rounding.ts';
import { mostOfMeasure } from '../../core/quantities/units.ts';
import { schemaDefinitions } from '../../core/schema/definitions.ts';
import { mostPreparationDays } from '../../core/time/preparation.ts';
import { written } from '../shape.ts';

export interface QuoteRequest extends AskedCart {
  language?: string;
  /** the shop’s own key of the shopper, by which limits count; only a hash of it is kept */
  shopperKey?: string;
  /** for how many minutes a use of each offer that is limited in all, and that the answer promises, is kept for the shopper */
  reserve?: { minutes: number };
  /** to be told up to so many products that close the gap to the goal ahead */
  closing?: { most: number };
  /** for how many minutes the shop wants to rely on the answer; without, it is not signed */
  sign?: { minutes: number };
  /** what a shopper has answered to the questions of an option */
  answers?: { option: string; given: Record<string, string> };
}

const ref = (name: string) => ({ $ref: `#/$defs/${name}` });

const amount = { type: 'integer', minimum: 0, maximum: largestAmount };
const words = { type: 'array', maxItems: 50, items: ref('word') };

/** What a line says of its goods by itself. */
const ownFacts = {
  description: 'what the shop knows of these goods; it wins over the catalogue for this line',
  type: 'object',
  additionalProperties: false,
  minProperties: 1,
  properties: {
    unitPrice: {
      description: 'minor units of the market’s currency, with or without tax as the market shows prices',
      ...amount,
    },
    taxClass: ref('word'),
    weightGrams: { type: ['integer', 'null'], minimum: 0, maximum: mostOfMeasure },
    sizeMm: {
      description: 'length, width and height',
      type: ['array', 'null'],
      minItems: 3,
      maxItems: 3,
      items: { type: 'integer', minimum: 0, maximum: mostOfMeasure },
    },
    categories: words,
    tags: words,
    needsDelivery: { type: 'boolean' },
    countsTowardGoals: { type: 'boolean' },
    shipsFree: { type: 'boolean' },
    ownDelivery: { description: 'delivery of a piece, instead of its part in the charge; minor units', ...amount },
    preparationDays: { description: 'working days', type: 'integer', minimum: 0, maximum: mostPreparationDays },
    notTo: {
      description: 'countries (ISO 3166-1) and regions (ISO 3166-2) to which they may not go',
      type: 'array',
      maxItems: 300,
      items: { type: 'string', pattern: '^[A-Z]{2}(-[A-Z0-9]{1,3})?$' },
    },
  },
};

/** A day; what a shopper has been shown longer ago is worked out anew. */
const mostSignedMinutes = 24 * 60;

/** An hour: what is kept for somebody is kept from everybody else. */
const mostReservedMinutes = 60;

/** So many products are told that close the gap to a goal. */
const mostClosing = 3;

export const shopperKey = {
  description: 'the shop’s own key of the shopper, opaque: limits count by it, and only a keyed hash of it is kept',
  type: 'string',
  minLength: 1,
  maxLength: 200,
};

const askedCart = {
  lines: {
    type: 'array',
    maxItems: 200,
    items: {
      type: 'object',
      additionalProperties: false,
      required: ['product', 'quantity'],
      properties: {
        product: {
          description: 'id or SKU of the catalogue, or of the shop where the line brings its unit price along',
          type: 'string',
          minLength: 1,
          maxLength: 80,
        },
        quantity: { type: 'integer', minimum: 1, maximum: 9999 },
        facts: ownFacts,
      },
    },
  },
  codes: { description: 'as the shopper entered them', type: 'array', maxItems: 20, items: ref('word') },
  discounts: {
    description: 'on goods, in the order in which they apply',
    type: 'array',
    maxItems: 20,
    items: ref('cartDiscount'),
  },
  channel: { description: 'where the cart is; `web` when absent', ...ref('word') },
  shopper: ref('shopper'),
  destination: ref('destination'),
  market: ref('id'),
  quotes: ref('quotes'),
  redemptions: ref('redemptions'),
  earlier: ref('earlierChoice'),
};

const quoteRequest = {
  type: 'object',
  additionalProperties: false,
  required: ['lines', 'destination'],
  dependentRequired: { reserve: ['shopperKey'] },
  properties: {
    ...askedCart,
    shopperKey,
    reserve: {
      description:
        'to keep, for so long, a use of each offer that is limited in all and that the answer promises; needs `shopperKey`',
      type: 'object',
      additionalProperties: false,
      required: ['minutes'],
      properties: { minutes: { type: 'integer', minimum: 1, maximum: mostReservedMinutes } },
    },
    language: ref('language'),
    closing: {
      description: 'to be told products, each of which reaches the goal ahead when it is added',
      type: 'object',
      additionalProperties: false,
      required: ['most'],
      properties: { most: { type: 'integer', minimum: 1, maximum: mostClosing } },
    },
    sign: {
      description: 'to have the answer signed, for so long as the shop wants to rely on it',
      type: 'object',
      additionalProperties: false,
      required: ['minutes'],
      properties: { minutes: { type: 'integer', minimum: 1, maximum: mostSignedMinutes } },
    },
    answers: {
      description: 'what the shopper has answered to the questions of an option, by their keys, to be checked',
      type: 'object',
      additionalProperties: false,
      required: ['option', 'given'],
      properties: {
        option: ref('id'),
        given: {
          type: 'object',
          maxProperties: 20,
          propertyNames: ref('id'),
          additionalProperties: { type: 'string', maxLength: 2000 },
        },
      },
    },
  },
};

export const cartDefinitions = schemaDefinitions([
  'word',
  'cartDiscount',
  'shopper',
  'destination',
  'id',
  'quotes',
  'redemptions',
  'earlierChoice',
  'language',
]);

/** The cart alone, as an order brings it along. */
export const askedCartSchema = {
  type: 'object',
  additionalProperties: false,
  required: ['lines', 'destination'],
  properties: askedCart,
};

export const QuoteRequestShape = written<QuoteRequest>({
  $id: 'https://summant.example.com/schema/quote-request',
  ...quoteRequest,
  $defs: cartDefinitions,
});

/** So many carts are quoted in one call. */
export const mostCarts = 100;

export const QuotesRequestShape = written<{ carts: QuoteRequest[] }>({
  $id: 'https://summant.example.com/schema/quotes-request',
  type: 'object',
  additionalProperties: false,
  required: ['carts'],
  properties: { carts: { type: 'array', minItems: 1, maxItems: mostCarts, items: quoteRequest } },
  $defs: cartDefinitions,
});
