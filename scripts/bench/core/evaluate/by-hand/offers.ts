import type { EvaluationInput } from '../../../../../src/core/evaluation/evaluation.ts';
import type { Offer, Price } from './answer.ts';
import { included, share, type Sums } from './cart-sums.ts';
import { isAppEvening, isFirstOrder, isKiteWeekFan, isMember, isNeighbour, isTrade } from './shopper-facts.ts';

export interface Where {
  market: string;
  zone: string;
  marketZone: string;
  codes: readonly string[];
  mainland: boolean;
  /** standard tax rate in `per`, and whether prices contain it */
  standard: number;
  per: number;
  withTax: boolean;
}

type Goal = Offer['goals'][number];
const weekends: Record<string, [number, number]> = {
  nlbe: [Date.parse('2027-03-26T17:00Z'), Date.parse('2027-03-28T22:00Z')],
  deat: [Date.parse('2027-03-26T17:00Z'), Date.parse('2027-03-28T22:00Z')],
  uk: [Date.parse('2027-03-26T18:00Z'), Date.parse('2027-03-28T23:00Z')],
  dk: [Date.parse('2027-03-26T17:00Z'), Date.parse('2027-03-28T22:00Z')],
};
const schoolFrom = Date.parse('2026-07-31T22:00Z');

const goalOf = (counted: number, target: number, inForce: boolean, missing = target - counted): Goal => {
  const reached = counted >= target;
  return { counted, remaining: reached ? 0 : inForce ? missing : null, percent: reached ? 100 : Math.floor((100 * counted) / target), reached };
};

const isParcel = ({ kind }: Price) => kind === 'parcel';
const everything = () => true;
const freeParcels: Offer['price'] = (option) => (option.kind === 'parcel' ? { base: 0, own: option.own } : null);

const offer = (id: string, status: string, goal: Goal, about: Offer['about'], price: Offer['price'], more: Partial<Offer> = {}): Offer => ({ id, status, goals: [goal], about, price, combines: false, givesOther: false, nearly: 0, ...more });

/** The offers that hold in a zone, highest priority first. */
export function offersIn(where: Where, input: EvaluationInput, sums: Sums): Offer[] {
  const { market, zone, codes } = where;
  const { instant, redemptions } = input;
  const { counted } = sums;
  const list: Offer[] = [];
  const status = (holds: boolean) => (holds ? 'inForce' : 'notForShopper');
  const weekend = weekends[market];
  if (weekend) {
    const is = instant < weekend[0] ? 'notYet' : instant >= weekend[1] ? 'over' : 'inForce';
    list.push(offer('windy-weekend', is, goalOf(counted, market === 'uk' ? 3500 : market === 'dk' ? 29_900 : 4000, is === 'inForce'), everything, (option) => ({ base: 0, own: option.own })));
  }
  const base = market === 'nlbe' || market === 'deat';
  if (base) {
    const is = status(isKiteWeekFan(input, sums));
    list.push(offer('kite-week-fans', is, goalOf(counted, 3000, is === 'inForce'), isParcel, freeParcels));
  }
  if (base || market === 'us') {
    const is = status(isTrade(input));
    const target = market === 'us' ? 20_000 : 15_000;
    const missing = target - sums.countedUntaxed;
    const goal = goalOf(sums.countedUntaxed, target, is === 'inForce', where.withTax ? shownFor(missing, where) : missing);
    const cap = market === 'us' ? 8000 : 6000;
    list.push(offer('trade', is, goal, everything, (option) => (option.base + option.own <= cap ? { base: 0, own: 0 } : null)));
  }
  if (base) {
    const is = instant < schoolFrom ? 'notYet' : codes.includes('SCHOOL') ? 'inForce' : 'needsCode';
    list.push(offer('school-term', is, goalOf(counted, 10_000, is === 'inForce'), isParcel, freeParcels, { givesOther: true }));
  }
  if (base || market === 'uk' || market === 'ch') {
    const is = status(isMember(input));
    list.push(offer('members-sooner', is, goalOf(counted, market === 'uk' ? 4500 : market === 'ch' ? 5500 : 4900, is === 'inForce'), isParcel, freeParcels, { nearly: market === 'uk' ? 900 : market === 'ch' ? 0 : 1000 }));
  }
  if (base || market === 'uk' || market === 'ch' || market === 'us') list.push(firstOrder(where, input, sums));
  if (base) {
    const is = status(isAppEvening(input, sums, zone, where.marketZone, market, where.mainland));
    list.push(offer('app-evening', is, goalOf(counted, 3500, is === 'inForce'), isParcel, (option) => (option.kind === 'parcel' && option.base + option.own <= 700 ? { base: 0, own: option.own } : null)));
  }
  if (market === 'dk') {
    const byCode = codes.includes('POSTCARD');
    const goal = byCode ? { counted, remaining: 0, percent: 100, reached: true } : goalOf(counted, 39_900, true);
    list.push(offer('postcard', 'inForce', goal, ({ id }) => id === 'dk-parcel-shop', ({ id, own }) => (id === 'dk-parcel-shop' ? { base: 0, own } : null)));
  }
  if (market === 'deat') list.push(twoSteps(zone, counted));
  else {
    // Counts with tax, which is what is shown but in one market.
    const taxed = where.withTax ? counted : sums.countedUntaxed + sums.countedTax;
    const target = { nlbe: 7500, uk: 7000, dk: 56_900, ch: 9000, us: 9500, jp: 12_000 }[market]!;
    list.push(offer('free-delivery', 'inForce', goalOf(taxed, target, true, where.withTax ? target - taxed : untaxedFor(target - taxed, where)), isParcel, freeParcels));
  }
  if (zone === 'nlbe-round') {
    const is = status(isNeighbour(input, codes));
    const own = ({ id }: Price) => id === 'nlbe-round-van' || id === 'nlbe-round-pick-up';
    list.push(offer('neighbours', is, goalOf(counted, 2000, is === 'inForce'), own, (option) => (own(option) ? covered(option, Math.min(100, option.base + option.own)) : null)));
  }
  if (market === 'dk' || market === 'us' || market === 'jp') {
    const off = market === 'dk' ? 1500 : 200;
    list.push(offer('three-spares', 'inForce', goalOf(sums.spares, market === 'jp' ? 4 : 3, true), isParcel, ({ kind, base: price, own }) => (kind === 'parcel' ? { base: Math.max(0, price - off), own } : null), { combines: true }));
  }
  if (market === 'nlbe' || market === 'uk' || market === 'dk' || market === 'us') {
    const used = redemptions?.campaign;
    const entered = codes.includes('GUST10') || codes.includes('GUST11');
    const is = (used?.inAll ?? 0) >= 500 || (used?.byShopper ?? 0) >= 2 ? 'usedUp' : entered ? 'inForce' : 'needsCode';
    const off = market === 'dk' ? 1500 : 200;
    const goal = { counted, remaining: entered ? 0 : null, percent: entered ? 100 : 0, reached: entered };
    list.push(offer('campaign', is, goal, everything, ({ base: price, own }) => ({ base: Math.max(0, price - off), own }), { combines: true, givesOther: true }));
  }
  if (market === 'ch') {
    list.push(offer('heavy-load', 'inForce', goalOf(sums.countedWeight, 5000, true), everything, ({ base: price, own }) => ({ base: Math.min(price, Math.floor((2 * (price - share(price, 333, 1000)) + 5) / 10) * 5), own }), { combines: true }));
  }
  return list;
}

const covered = ({ base, own }: Price, price: number): { base: number; own: number } => {
  const left = Math.max(0, base - (base + own - price));
  return { base: left, own: price - left };
};

/** Counts before discounts and with tax. */
function firstOrder(where: Where, input: EvaluationInput, sums: Sums): Offer {
  const { market, withTax } = where;
  const used = input.redemptions?.['first-order'];
  const is = !isFirstOrder(input) ? 'notForShopper' : (used?.byShopper ?? 0) >= 1 ? 'usedUp' : 'inForce';
  const target = market === 'ch' || market === 'us' ? 3000 : 2500;
  const counted = withTax ? sums.counted : sums.countedUntaxed + sums.countedTax;
  const missing = withTax ? target - counted : untaxedFor(target - counted, where);
  const increment = market === 'ch' ? 5 : 1;
  return offer('first-order', is, goalOf(counted, target, is === 'inForce', missing), everything, ({ base, own }) => ({ base: Math.min(base, Math.floor((2 * (base - share(base, 50, 100)) + increment) / (2 * increment)) * increment), own }));
}

/** The lowest price without tax that comes to an amount with it. */
function untaxedFor(missing: number, { standard, per }: Where): number {
  if (missing <= 0) return missing;
  let price = share(missing, per, per + standard);
  while (price + share(price, standard, per) < missing) price++;
  while (price > 0 && price - 1 + share(price - 1, standard, per) >= missing) price--;
  return price;
}

/** The lowest shown price that comes to an amount without tax. */
function shownFor(missing: number, { standard, per }: Where): number {
  if (missing <= 0) return missing;
  let price = share(missing, per + standard, per);
  while (price - included(price, standard, per) < missing) price++;
  while (price > 0 && price - 1 - included(price - 1, standard, per) >= missing) price--;
  return price;
}

function twoSteps(zone: string, counted: number): Offer {
  const austria = zone === 'deat-austria';
  const goals = [...(austria ? [] : [goalOf(counted, 5900, true)]), goalOf(counted, 7900, true), goalOf(counted, 13_900, true)];
  const door = austria ? 'deat-austria-door' : 'deat-door';
  const next = goals.findIndex(({ reached }) => !reached);
  const top = next < 0 || next === goals.length - 1;
  const about = (id: string): boolean => {
    if (top) return id === door || id === 'deat-parcel-shop' || id === 'deat-express';
    return austria || next === 1 ? id === door : id === 'deat-parcel-shop';
  };
  return {
    id: 'two-steps',
    status: 'inForce',
    goals,
    combines: false,
    givesOther: false,
    nearly: -15,
    about: ({ id }) => about(id),
    price: ({ id, base, own }) => {
      if (counted >= 13_900) {
        if (id === door || id === 'deat-parcel-shop') return { base: 0, own: 0 };
        // The express parcel at the price of the door, which is nothing by now.
        return id === 'deat-express' && base + own <= 2500 ? { base: 0, own: 0 } : null;
      }
      if (counted >= 7900 && id === door) return { base: Math.min(base, 190), own };
      return counted >= 5900 && id === 'deat-parcel-shop' ? { base: 0, own } : null;
    },
  };
}
