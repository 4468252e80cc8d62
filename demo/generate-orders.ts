import { minorPerMajor } from '../src/core/money/currency.ts';
import { basketWorth } from './generate-baskets.ts';
import type { PastOrder } from '../src/server/orders/order-store.ts';
import {
  hourShape,
  marketTruths,
  monthShape,
  orderCount,
  pastOffer,
  period,
  returningShare,
  weekdayShape,
  type MarketTruth,
} from './order-truth.ts';
import { indexDrawer, normal, seededRandom, weightedIndex } from '../src/core/statistics/random.ts';

const day = 86_400_000;

/** The demo store's past orders, in time order; the same for the same seed. See order-truth.ts for what they hold. */
export function generateOrders(seed = 20241101, count = orderCount): PastOrder[] {
  const random = seededRandom(seed);
  // Of their own, so that what is bought leaves values and dates as the mixture has them.
  const basketRandom = seededRandom(seed + 1);
  const days = dayWeights();
  const [drawMarket, drawDay, drawHour] = [
    indexDrawer(marketTruths.map(({ share }) => share)),
    indexDrawer(days.weights),
    indexDrawer(hourShape),
  ];
  const orders: PastOrder[] = [];
  for (let i = 0; i < count; i++) {
    const truth = marketTruths[drawMarket(random)]!;
    const date = days.start + drawDay(random) * day;
    const placedAt = new Date(date + drawHour(random) * 3_600_000 + Math.floor(random() * 3600) * 1000);
    orders.push(orderIn(truth, placedAt, random, basketRandom));
  }
  orders.sort((a, b) => a.placedAt.getTime() - b.placedAt.getTime());
  orders.forEach((order, index) => (order.orderNumber = `GK-${String(100_001 + index)}`));
  return orders;
}

function orderIn(truth: MarketTruth, placedAt: Date, random: () => number, basketRandom: () => number): PastOrder {
  const value = orderValue(truth, placedAt, random);
  const country =
    truth.countries[
      weightedIndex(
        random,
        truth.countries.map(({ share }) => share),
      )
    ]!;
  const option =
    truth.options[
      weightedIndex(
        random,
        truth.options.map(({ share }) => share),
      )
    ]!;
  const minor = minorPerMajor(truth.currency);
  const freeFrom = inPastOffer(truth.market, placedAt) ? pastOffer.goal : truth.freeFrom;
  const basket = basketWorth(truth.market, value, basketRandom);
  return {
    orderNumber: '',
    placedAt,
    marketId: truth.market,
    country: country.country,
    postcode: country.postcodes[Math.floor(random() * country.postcodes.length)]!,
    currency: truth.currency,
    goodsMinor: value,
    discountMinor: basket.discount,
    deliveryMinor: value >= freeFrom * minor ? 0 : Math.round(option.price * minor),
    optionId: option.option,
    items: basket.items,
    weightGrams: basket.grams,
    returning: random() < returningShare,
    lines: basket.lines,
  };
}

function orderValue(truth: MarketTruth, placedAt: Date, random: () => number): number {
  const component =
    truth.values[
      weightedIndex(
        random,
        truth.values.map(({ share }) => share),
      )
    ]!;
  const logMean = Math.log(component.peak) + component.spread ** 2;
  let major = Math.exp(logMean + component.spread * normal(random));
  if (
    inPastOffer(truth.market, placedAt) &&
    major >= pastOffer.goal - pastOffer.reach &&
    major < pastOffer.goal &&
    random() < pastOffer.moved
  ) {
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
