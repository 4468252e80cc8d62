import { Type, type Static } from '@sinclair/typebox';
import type { ValueCounts } from '../../core/orders/distribution.ts';
import type { OrderMonth } from '../../core/orders/months.ts';
import { flag, list, minor, moment, nullable, object, ofCore, optional, text, whole, word, written } from '../shape.ts';

export const ValueCountsShape = ofCore<ValueCounts>()(
  object({ currency: nullable(text), orders: whole, valueSteps: list(whole), counts: list(whole) }),
);

export const OrderMonthsShape = object({
  currency: text,
  months: list(
    ofCore<OrderMonth>()(object({ month: text, orders: whole, options: list(text), arms: list(text), hash: text })),
  ),
});

/** A past order as a cart can be made of it; null where the export did not say. Amounts in minor units of its currency. */
export const FoundOrderShape = object({
  number: text,
  placedAt: moment,
  market: text,
  country: text,
  region: text,
  postcode: text,
  currency: text,
  goods: minor,
  delivery: nullable(minor),
  option: text,
  code: text,
  returning: nullable(flag),
  /** of an experiment, both ids with a slash between; '' for none */
  arm: text,
  lines: list(object({ sku: text, quantity: whole })),
});
export type FoundOrder = Static<typeof FoundOrderShape>;

/** What a group of orders holds: products, and pairs bought together more often than by chance. */
export const BasketStudyShape = object({
  baskets: whole,
  /** more are not looked at: the newest are */
  mostBaskets: whole,
  products: list(object({ sku: text, orders: whole })),
  pairs: list(
    object({
      skus: written<[string, string]>({ type: 'array', items: { type: 'string' }, minItems: 2, maxItems: 2 }),
      orders: whole,
      times: Type.Number(),
    }),
  ),
});
export type BasketStudy = Static<typeof BasketStudyShape>;

const digits = Type.String({ pattern: '^[0-9]{1,15}$' });
/** Days that MariaDB has: to the year 2134. */
const day = Type.String({ pattern: '^([0-9]{1,4}|[1-5][0-9]{4})$' });
const name = Type.String({ maxLength: 80 });

/** Orders in a stretch of values (minor units) and days (since 1970-01-01), both half-open. */
export const GroupQueryShape = object({
  market: name,
  fromValue: digits,
  toValue: digits,
  fromDay: day,
  toDay: day,
  shopper: optional(word('all', 'new', 'returning')),
  option: optional(name),
  delivery: optional(word('all', 'paid', 'free')),
});

/** Orders of one day and one value, and if it is said of one price of delivery: minor units. */
export const OrdersLikeQueryShape = object({
  market: name,
  day,
  value: digits,
  delivery: optional(digits),
  option: optional(name),
});

/** Numbers of some orders, the newest first. */
export const OrderNumbersShape = object({ numbers: list(text) });
