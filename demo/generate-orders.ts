import { minorPerMajor } from '../src/core/money/currency.ts';
import type { PastOrder } from '../src/server/orders/order-store.ts';
import { hourShape, marketTruths, monthShape, orderCount, pastOffer, period, returningShare, weekdayShape, type MarketTruth } from './order-truth.ts';
import { normal, seededRandom, weightedIndex } from './random.ts';

const day = 86_400_000;

/** The demo store's past orders, in time order; the same for the same seed. See order-truth.ts for what they hold. */
export function generateOrders(seed = 20241101, count = orderCount): PastOrder[] {
  const random = seededRandom(seed);
  const days = dayWeights();
  const orders: PastOrder[] = [];
  for (let i = 0; i < count; i++) {
    const truth = marketTruths[weightedIndex(random, marketTruths.map((market) => market.share))]!;
    const date = days.start + weightedIndex(random, days.weights) * day;
    const placedAt = new Date(date + weightedIndex(random, hourShape) * 3_600_000 + Math.floor(random() * 3600) * 1000);
    orders.push(orderIn(truth, placedAt, random));
  }
  orders.sort((a, b) => a.placedAt.getTime() - b.placedAt.getTime());
  orders.forEach((order, index) => (order.orderNumber = `GK-${String(100_001 + index)}`));
  return orders;
}

function orderIn(truth: MarketTruth, placedAt: Date, random: () => number): PastOrder {
  const value = orderValue(truth, placedAt, random);
  const country = truth.countries[weightedIndex(random, truth.countries.map(({ share }) => share))]!;
  const option = truth.options[weightedIndex(random, truth.options.map(({ share }) => share))]!;
  const minor = minorPerMajor(truth.currency);
  const freeFrom = inPastOffer(truth.market, placedAt) ? pastOffer.goal : truth.freeFrom;
  const items = 1 + Math.floor(-Math.log(1 - random()) * 1.3);
  return {
    orderNumber: '',
    placedAt,
    marketId: truth.market,
    country: country.country,
    postcode: country.postcodes[Math.floor(random() * country.postcodes.length)]!,
    currency: truth.currency,
    goodsMinor: value,
    deliveryMinor: value >= freeFrom * minor ? 0 : Math.round(option.price * minor),
    optionId: option.option,
    items,
    weightGrams: Math.round(items * (150 + random() * 900)),
    returning: random() < returningShare,
  };
}

function orderValue(truth: MarketTruth, placedAt: Date, random: () => number): number {
  const component = truth.values[weightedIndex(random, truth.values.map(({ share }) => share))]!;
  const logMean = Math.log(component.peak) + component.spread ** 2;
  let major = Math.exp(logMean + component.spread * normal(random));
  if (inPastOffer(truth.market, placedAt) && major >= pastOffer.goal - pastOffer.reach && major < pastOffer.goal && random() < pastOffer.moved) {
    major = pastOffer.goal - Math.log(1 - random()) * pastOffer.over;
  }
  const stepMinor = Math.round(truth.step * minorPerMajor(truth.currency));
  return Math.max(1, Math.round((major * minorPerMajor(truth.currency)) / stepMinor)) * stepMinor;
}

function inPastOffer(market: string, placedAt: Date): boolean {
  return market === pastOffer.market && placedAt >= new Date(pastOffer.from) && placedAt < new Date(pastOffer.until);
}

function dayWeights(): { start: number; weights: number[] } {
  const start = Date.parse(period.from);
  const weights: number[] = [];
  for (let at = start; at < Date.parse(period.until); at += day) {
    const date = new Date(at);
    weights.push(weekdayShape[(date.getUTCDay() + 6) % 7]! * monthShape[date.getUTCMonth()]!);
  }
  return { start, weights };
}
