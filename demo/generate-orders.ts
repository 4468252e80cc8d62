import { minorPerMajor } from '../src/core/money/currency.ts';
import { armName } from '../src/core/experiments/arm-name.ts';
import { dateOfDay } from '../src/core/time/day.ts';
import { localTime } from '../src/core/time/time-zone-clock.ts';
import { basketWorth } from './generate-baskets.ts';
import type { PastOrder } from '../src/server/orders/order-store.ts';
import {
  finishedExperiment,
  hourShape,
  marketTruths,
  monthShape,
  orderCount,
  pastOffer,
  period,
  returningShare,
  runningExperiment,
  weekdayShape,
  type MarketTruth,
} from './order-truth.ts';
import { demoPolicy } from './policy/demo-policy.ts';
import { indexDrawer, normal, seededRandom, weightedIndex } from '../src/core/statistics/random.ts';

const day = 86_400_000;

/** The demo store's past orders, in time order; the same for the same seed. See order-truth.ts for what they hold. */
export function generateOrders(seed = 20241101, count = orderCount): PastOrder[] {
  const random = seededRandom(seed);
  // Of their own, so that what is bought, and who is in which arm, leaves values and dates as the mixture has them.
  const own: OwnRandom = { basket: seededRandom(seed + 1), arm: seededRandom(seed + 2) };
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
    orders.push(orderIn(truth, placedAt, random, own));
  }
  orders.sort((a, b) => a.placedAt.getTime() - b.placedAt.getTime());
  orders.forEach((order, index) => (order.orderNumber = `GK-${String(100_001 + index)}`));
  return orders;
}

interface OwnRandom {
  basket: () => number;
  arm: () => number;
}

function orderIn(truth: MarketTruth, placedAt: Date, random: () => number, own: OwnRandom): PastOrder {
  const { value, freeFrom, arm } = inExperiment(
    truth,
    placedAt,
    {
      value: orderValue(truth, placedAt, random),
      freeFrom: inPastOffer(truth.market, placedAt) ? pastOffer.goal : truth.freeFrom,
    },
    own.arm,
  );
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
  const basket = basketWorth(truth.market, value, own.basket);
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
    ...(arm === null ? {} : { arm }),
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
  return inSteps(truth, major);
}

function inSteps({ step, currency }: MarketTruth, major: number): number {
  const stepMinor = Math.round(step * minorPerMajor(currency));
  return Math.max(1, Math.round((major * minorPerMajor(currency)) / stepMinor)) * stepMinor;
}

const zoneOfStore = demoPolicy.store.timeZone;

/** An order as it is placed in the arm of an experiment that goes on; as it would have been where none does. */
function inExperiment(
  truth: MarketTruth,
  placedAt: Date,
  order: { value: number; freeFrom: number },
  random: () => number,
): { value: number; freeFrom: number; arm: string | null } {
  const date = dateOfDay(localTime(zoneOfStore, placedAt.getTime()).day);
  const here = [finishedExperiment, runningExperiment].find(
    ({ market, from, lastDay }) => market === truth.market && date >= from && date <= lastDay,
  );
  if (!here) return { ...order, arm: null };
  const place = random() < 0.5 ? 0 : 1;
  const arm = armName(here.experiment, here.arms[place]!);
  if (place === 0) return { ...order, arm };
  const major = order.value / minorPerMajor(truth.currency);
  const moves = major >= here.goal - here.reach && major < here.goal && random() < here.moved;
  const value = moves ? inSteps(truth, here.goal - Math.log(1 - random()) * here.over) : order.value;
  return { value, freeFrom: here.goal, arm };
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
