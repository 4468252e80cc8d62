import { carrierQuote } from './carrier-quote.ts';
import { perUnit } from './per-unit.ts';
import type { LinePrice, PriceKindRecord } from './price-kind.ts';
import { shareOfGoods } from './share-of-goods.ts';

/** Every kind of price, in the order in which they are offered. */
const registered: PriceKindRecord[] = [perUnit, shareOfGoods, carrierQuote].map((record) => record as PriceKindRecord);

export const priceKindRecords = (): readonly PriceKindRecord[] => registered;

/** Adds a kind of price. Everything that walks the registry knows it from then on. */
export function registerPriceKind(record: PriceKindRecord): void {
  if (registered.some(({ member }) => member === record.member))
    throw new RangeError(`there is a price with "${record.member}" already`);
  registered.push(record);
}

/** All that is known of a price's kind. */
export function priceKindOf(price: LinePrice): PriceKindRecord {
  const record = registered.find(({ member }) => Object.hasOwn(price, member));
  if (!record) throw new RangeError('there is no such kind of price');
  return record;
}
