import type { EvaluationInput } from '../../../../../src/core/evaluation/evaluation.ts';
import { distanceKm } from '../../../../../src/core/geography/distance.ts';
import { isoWeekday } from '../../../../../src/core/time/day.ts';
import { localTime } from '../../../../../src/core/time/time-zone-clock.ts';
import type { Sums } from './cart-sums.ts';

const shop = { latitude: 53.1, longitude: 4.85 };
const stock = [Date.parse('2027-04-27T15:01Z'), Date.parse('2027-10-31T00:30Z')] as const;
const kiteWeek = [Date.parse('2027-05-02T22:00Z'), Date.parse('2027-05-09T22:00Z')] as const;

export const isMember = ({ shopper }: EvaluationInput): boolean =>
  shopper !== undefined && shopper.signedIn && (shopper.groups?.includes('members') ?? false);
export const isFirstOrder = ({ shopper }: EvaluationInput): boolean => shopper?.orderCount === 0;

export function isTrade({ shopper, destination }: EvaluationInput): boolean {
  if (!shopper || shopper.business !== true || destination.residential !== false) return false;
  const groups = shopper.groups ?? (shopper.signedIn ? [] : null);
  const tags = shopper.tags ?? (shopper.signedIn ? [] : null);
  return (
    groups !== null &&
    tags !== null &&
    (groups.includes('trade') || groups.includes('schools')) &&
    !tags.includes('on-hold')
  );
}

function isLongAway({ shopper, instant }: EvaluationInput): boolean {
  if (
    !shopper?.lastOrderAt ||
    shopper.orderCount === undefined ||
    shopper.lifetimeSpend === undefined ||
    shopper.individual === undefined
  )
    return false;
  const days =
    localTime('Europe/Amsterdam', instant).day - localTime('Europe/Amsterdam', Date.parse(shopper.lastOrderAt)).day;
  return (
    days >= 180 &&
    shopper.orderCount >= 1 &&
    shopper.orderCount <= 20 &&
    shopper.lifetimeSpend > 20_000 &&
    shopper.individual !== 'S-0000'
  );
}

export function isKiteWeekFan(input: EvaluationInput, { giftCards }: Sums): boolean {
  const { instant } = input;
  const season = (instant >= kiteWeek[0] && instant < kiteWeek[1]) || (instant >= stock[0] && instant < stock[1]);
  return season && !giftCards && (isMember(input) || isLongAway(input) || isTrade(input));
}

export function isAppEvening(
  input: EvaluationInput,
  sums: Sums,
  zone: string,
  marketZone: string,
  market: string,
  mainland: boolean,
): boolean {
  if (input.cart.channel !== 'app') return false;
  const { minute } = localTime(marketZone, input.instant);
  if (minute >= 360 && minute < 1320) return false;
  if (!mainland || zone === 'nlbe-islands') return false;
  if (sums.counted < 2500 && sums.items !== 0) return false;
  if (sums.most >= 10 || sums.items > 24 || sums.lines === 12 || sums.kiteQuantity >= 5) return false;
  return (
    !(sums.kiteValue > 30_000 || sums.goods >= 50_000 || sums.onlySpares) && (market === 'nlbe' || market === 'deat')
  );
}

export function isNeighbour({ destination: { coordinates } }: EvaluationInput, codes: readonly string[]): boolean {
  return (
    (coordinates !== undefined && distanceKm(shop, coordinates) <= 8) ||
    codes.includes('POSTCARD') ||
    codes.includes('SEABREEZE')
  );
}

export const kmFromShop = (coordinates: { latitude: number; longitude: number }): number =>
  distanceKm(shop, coordinates);

export function isBeachHour(instant: number): boolean {
  const { day, minute } = localTime('Europe/Amsterdam', instant);
  return isoWeekday(day) >= 3 && minute >= 540 && minute < 1080;
}

/** Whoever weighs no more than this is one parcel. */
export const fitsTheVan = ({ delivered: { weight, volume, side } }: Sums): boolean =>
  weight <= 12_000 && side < 1500 && volume < 200_000 && Math.max(weight, Math.ceil(volume / 5)) <= 40_000;
