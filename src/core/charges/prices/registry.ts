import { Registry } from '../../registry.ts';
import { carrierQuote } from './carrier-quote.ts';
import { perUnit } from './per-unit.ts';
import type { LinePrice, PriceKindRecord } from './price-kind.ts';
import { shareOfGoods } from './share-of-goods.ts';

/** Every kind of price, by the member that only it has. */
export const priceKinds = new Registry<PriceKindRecord>(
  'price with',
  ({ member }) => member,
  [perUnit, shareOfGoods, carrierQuote].map((record) => record as PriceKindRecord),
);

/** All that is known of a price's kind. */
export function priceKindOf(price: LinePrice): PriceKindRecord {
  const record = priceKinds.all.find(({ member }) => Object.hasOwn(price, member));
  if (!record) throw new RangeError('there is no such kind of price');
  return record;
}
