import { Type, type Static } from '@sinclair/typebox';
import { flag, list, minor, nullable, object, optional, text, whole, word } from '../shape.ts';

const place = object({ country: Type.String({ pattern: '^[A-Z]{2}$' }), postcode: Type.String({ maxLength: 16 }) });
const count = Type.Integer({ minimum: 0, maximum: 1_000_000_000 });
export const carrierName = Type.String({ pattern: '^[a-z0-9][a-z0-9-]{0,39}$' });

/** What a carrier is asked. Grams and cm³ of all parcels together. */
export const CarrierRequestShape = object({
  carrier: carrierName,
  from: place,
  to: place,
  weightGrams: count,
  volumeCm3: count,
});
export type CarrierRequest = Static<typeof CarrierRequestShape>;

/** What a carrier answers, in minor units; whatever does not look like this is no quote. */
export const CarrierAnswerShape = Type.Object({
  amount: Type.Integer({ minimum: 0, maximum: 100_000_000 }),
  currency: Type.String({ pattern: '^[A-Z]{3}$' }),
});
export type CarrierAnswer = Static<typeof CarrierAnswerShape>;

/** A question to a carrier as a quote would ask it, from the store. */
export const CarrierTestShape = object({
  carrier: carrierName,
  market: Type.String({ maxLength: 40 }),
  to: place,
  weightGrams: count,
  volumeCm3: count,
});

/** Request, answer, and what they come to. */
export const CarrierReplyShape = object({
  request: CarrierRequestShape,
  /** what it said, as it came */
  answer: nullable(text),
  /** minor units of the market's currency; null: silent, as far as charges go */
  quote: nullable(minor),
  /** why there is no quote */
  problem: nullable(text),
  /** ms */
  took: whole,
});
export type CarrierReply = Static<typeof CarrierReplyShape>;

/** How long a carrier may think while a shopper waits, at most. ms */
const longestWait = 5000;
/** For so long, at most, what it said last may stand in. Minutes: a day */
const longestKept = 24 * 60;

/** Where a carrier is asked. */
export const CarrierServiceShape = object({
  name: text,
  address: text,
  hasSecret: flag,
  timeoutMs: whole,
  keepMinutes: whole,
  /** of this process: whether it is asked at the moment, has failed too often of late, or is tried again */
  state: word('asked', 'left', 'tried'),
});
export type CarrierServiceListed = Static<typeof CarrierServiceShape>;
export const CarrierServicesShape = object({ carriers: list(CarrierServiceShape) });

export const CarrierServiceChangeShape = object({
  address: Type.String({
    description: 'an address, https or on this machine',
    maxLength: 400,
    pattern: '^https?://\\S+$',
  }),
  secret: optional(
    nullable(
      Type.String({
        description:
          'a secret of letters, figures and signs, sent as Authorization: Bearer; null: none; without, as it is',
        minLength: 1,
        maxLength: 400,
        pattern: '^[\\x21-\\x7e]+$',
      }),
    ),
  ),
  timeoutMs: Type.Integer({ minimum: 100, maximum: longestWait }),
  keepMinutes: Type.Integer({ minimum: 0, maximum: longestKept }),
});
export type CarrierServiceChange = Static<typeof CarrierServiceChangeShape>;
