import type { AskedLine, Cart } from '../../core/cart/cart.ts';
import type { EvaluationInput } from '../../core/evaluation/evaluation.ts';
import { schemaDefinitions } from '../../core/schema/definitions.ts';
import { mostOfMeasure } from '../../core/quantities/units.ts';
import { largestAmount } from '../../core/money/rounding.ts';
import { mostPreparationDays } from '../../core/time/preparation.ts';
import { optionKinds } from '../../core/options/kinds/registry.ts';
import { questionKinds } from '../../core/options/questions/registry.ts';
import type { FaultOfAnswer } from '../../core/options/questions/check-answers.ts';
import type { OptionKind, Question } from '../../core/policy/types.ts';
import type { QuoteAnswer } from '../../core/quote/quote-answer.ts';
import { Type } from '@sinclair/typebox';
import { ProblemShape } from './problem.ts';
import { flag, list, minor, moment, named, nullable, object, optional, text, whole, word, written } from '../shape.ts';

export interface QuoteRequest
  extends
    Pick<EvaluationInput, 'shopper' | 'destination' | 'market' | 'quotes' | 'redemptions' | 'earlier'>,
    Pick<Cart, 'codes' | 'discounts' | 'channel'> {
  lines: AskedLine[];
  language?: string;
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

const quoteRequest = {
  type: 'object',
  additionalProperties: false,
  required: ['lines', 'destination'],
  properties: {
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
    language: ref('language'),
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

const $defs = schemaDefinitions([
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

export const QuoteRequestShape = written<QuoteRequest>({
  $id: 'https://summant.example.com/schema/quote-request',
  ...quoteRequest,
  $defs,
});

/** So many carts are quoted in one call. */
export const mostCarts = 100;

export const QuotesRequestShape = written<{ carts: QuoteRequest[] }>({
  $id: 'https://summant.example.com/schema/quotes-request',
  type: 'object',
  additionalProperties: false,
  required: ['carts'],
  properties: { carts: { type: 'array', minItems: 1, maxItems: mostCarts, items: quoteRequest } },
  $defs,
});

/** By what a quote proves what was answered, to which cart, until when. */
export interface SignedBy {
  /** of the quote */
  id: string;
  /** when it was answered, ISO 8601 */
  at: string;
  expires: string;
  /** SHA-256 of the canonical form (RFC 8785) of what was asked, without `sign`; base64url */
  cart: string;
  /** id of the secret that it is signed with */
  key: string;
  /** HMAC-SHA-256 of the canonical form of the whole answer without this; base64url */
  signature: string;
}

/** What a shop is told before it is signed. */
export type UnsignedQuote = Omit<Quote, 'signed'>;

/** Whether a quote is what was answered and may still be relied on. */
export interface VerifiedQuote {
  holds: boolean;
  because: 'notSigned' | 'unknownKey' | 'altered' | 'otherCart' | 'expired' | null;
}

/** What a shop is told, and the release that it is told from. */
export interface Quote extends QuoteAnswer {
  release: number;
  /** carriers that were asked and gave no quote: prices that wait for them are their fallback */
  carriersSilent: string[];
  /** what is wrong with the answers that were handed back, in words for whoever builds the shop; null: none were */
  answerFaults: (FaultOfAnswer & { message: string })[] | null;
  /** the arm of an experiment that the shopper is in, of each offer that has one; none as yet */
  arms: { offer: string; arm: string }[];
  /** null: it was not asked to be */
  signed: SignedBy | null;
}

const described = (description: string) => ({ description });
const state = word('invite', 'progress', 'nearly', 'reached', 'onward', 'missedOut', 'notice');
/** Who speaks: an offer with one of its goals, or a notice. */
const speaker = { offer: nullable(text), goal: nullable(text), notice: nullable(text) };
const given = object({ offer: text, goal: text });
const totals = object({
  goods: minor,
  goodsReward: minor,
  delivery: minor,
  tax: minor,
  toPay: minor,
  taxes: list(object({ rate: text, tax: minor }), described('by rate, a decimal percentage')),
});
const place = object({
  id: text,
  name: text,
  address: object({ street: text, postcode: text, town: text, country: text }),
  coordinates: nullable(object({ latitude: Type.Number(), longitude: Type.Number() })),
  hours: nullable(written({ type: 'object', description: 'weekday (1 Monday to 7 Sunday) → open from and to' })),
  instructions: nullable(text),
});

export const QuoteShape = named(
  'Quote',
  written<Quote>(
    object({
      release: whole,
      market: nullable(text),
      zone: nullable(text),
      currency: nullable(text),
      pricesIncludeTax: nullable(flag),
      lines: list(
        object({
          product: text,
          sku: text,
          quantity: whole,
          unitPrice: minor,
          value: minor,
          afterDiscounts: minor,
          afterRewards: minor,
          taxRate: text,
          tax: minor,
        }),
        described('as priced; those of one product are one'),
      ),
      goodsValue: nullable(minor),
      options: list(
        object({
          id: text,
          kind: written<OptionKind>({ type: 'string', enum: optionKinds.all.map(({ kind }) => kind) }),
          label: text,
          description: nullable(text),
          place: nullable(place),
          priceBefore: minor,
          priceAfter: minor,
          tax: minor,
          estimate: object({
            unit: word('workingDays', 'hours'),
            min: whole,
            max: whole,
            leaves: text,
            earliest: text,
            latest: text,
          }),
          waitsFor: nullable(
            object({ product: text, days: whole }, described('the slowest of the goods, and its working days')),
          ),
          questions: list(
            object({
              key: text,
              kind: written<Question['kind']>({ type: 'string', enum: questionKinds.all.map(({ kind }) => kind) }),
              label: text,
              required: flag,
              longest: whole,
              choices: nullable(list(object({ key: text, label: text }))),
            }),
            described('asked of whoever takes it'),
          ),
          picture: nullable(object({ address: text, alt: text })),
          totals,
          setBy: list(given),
        }),
      ),
      unavailable: list(
        object({
          id: text,
          reason: word('otherChannel', 'notNow', 'conditionNotMet', 'noLineApplies', 'carrierSilent'),
          label: text,
          shown: Type.Boolean(described('whether shoppers are to see that it exists')),
          text: nullable(text),
        }),
      ),
      noOptions: nullable(
        word('noMarket', 'noZone', 'goodsBarred', 'nothingToDeliver', 'zoneWithoutOptions', 'noneApplies'),
      ),
      outOfArea: nullable(text),
      preselected: nullable(text),
      earlier: nullable(
        object(
          {
            optionId: text,
            still: word('same', 'cheaper', 'dearer', 'gone'),
            was: minor,
            now: optional(minor),
            because: optional(text),
          },
          described('what became of the earlier choice'),
        ),
      ),
      totals: nullable(totals),
      goals: list(
        object({
          offer: text,
          status: word('inForce', 'notYet', 'over', 'notForShopper', 'usedUp', 'needsCode'),
          goal: text,
          measure: word('value', 'items', 'weight'),
          target: nullable(Type.Integer(described('minor units, pieces or grams; null: a code alone reaches it'))),
          counted: whole,
          remaining: nullable(Type.Integer(described('null when no promise can be made'))),
          remainingAtBest: nullable(
            Type.Integer(
              described(
                'what is enough for goods that the discounts on certain goods treat best; null where all are treated alike',
              ),
            ),
          ),
          percent: whole,
          reached: Type.Boolean(described('only while the offer is in force')),
          byCode: flag,
        }),
      ),
      gifts: list(object({ offer: text, goal: text, product: text, quantity: whole })),
      carriersSilent: list(text),
      answerFaults: nullable(
        list(
          object({
            question: text,
            fault: word('missing', 'tooLong', 'notATelephone', 'notOffered', 'notAsked'),
            message: text,
          }),
          described('what is wrong with the answers handed back; null where none were'),
        ),
      ),
      arms: list(
        object({ offer: text, arm: text }),
        described('the arm of an experiment that this shopper is in, of each offer that has one; none as yet'),
      ),
      signed: nullable(
        object(
          { id: text, at: moment, expires: moment, cart: text, key: text, signature: text },
          described(
            'HMAC-SHA-256 of the canonical form (RFC 8785) of the answer without `signature`; null: not asked for',
          ),
        ),
      ),
      goodsRewards: list(given, described('which offers took something off the goods')),
      messages: list(
        object({
          place: text,
          text,
          language: text,
          state,
          ...speaker,
          percent: nullable(Type.Integer(described('null: a notice, beside which no bar stands'))),
          deadline: nullable(moment),
        }),
      ),
      lead: nullable(object({ ...speaker, state })),
      percent: nullable(whole),
      deadline: nullable(
        Type.String({ format: 'date-time', ...described('the first minute after the offer that leads') }),
      ),
      look: object({
        style: word('filled', 'ruled', 'label'),
        colours: object({ ground: text, ink: text, bar: text }),
        position: word('top', 'bottom'),
        closable: flag,
        countdownWithin: optional(whole),
        silentIn: optional(written({ type: 'object' })),
      }),
    }),
  ),
);

export const VerifyRequestShape = object({
  quote: written<object>({ type: 'object', description: 'as it was answered' }),
  request: optional(
    written<QuoteRequest>({ type: 'object', description: 'what was asked, to see that it was this cart' }),
  ),
});

export const VerifiedQuoteShape = named(
  'VerifiedQuote',
  object({
    holds: flag,
    because: nullable(word('notSigned', 'unknownKey', 'altered', 'otherCart', 'expired')),
  }),
);

/** What became of each cart, in the order in which they were sent: a quote, or why there is none. */
export const QuotesShape = object({
  quotes: list(object({ quote: nullable(QuoteShape), problem: nullable(ProblemShape) })),
});

export const CurrentShape = object({
  release: nullable(Type.Integer({ description: 'null: nothing has been released yet' })),
  catalogue: Type.Integer({ description: 'becomes another whenever products do' }),
});
