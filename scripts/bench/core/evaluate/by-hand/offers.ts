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

/** @param delivered whether something in the cart is to be delivered: else nothing is promised */
const goals =
  (delivered: boolean) =>
  (counted: number, target: number, inForce: boolean, missing = target - counted): Goal => {
    const reached = inForce && counted >= target;
    return {
      counted,
      remaining: reached ? 0 : inForce && delivered ? missing : null,
      percent: reached ? 100 : Math.min(99, Math.floor((100 * counted) / target)),
      reached,
    };
  };

const isParcel = ({ kind }: Price) => kind === 'parcel';
const everything = () => true;
const freeParcels: Offer['price'] = (option) => (option.kind === 'parcel' ? { base: 0, own: option.own } : null);

const offer = (
  id: string,
  status: string,
  goal: Goal,
  free: Offer['free'],
  price: Offer['price'],
  more: Partial<Offer> = {},
): Offer => ({
  id,
  status,
  goals: [goal],
  free,
  price,
  combines: false,
  pieces: false,
  speaks: false,
  nearly: 0,
  ...more,
});
const spoken = { speaks: true };

/** The offers that hold in a zone, highest priority first. */
export function offersIn(where: Where, input: EvaluationInput, sums: Sums): Offer[] {
  const { market, zone, codes } = where;
  const { instant, redemptions } = input;
  const { counted } = sums;
  const goalOf = goals(sums.items === 0 || sums.needsDelivery);
  const list: Offer[] = [];
  const status = (holds: boolean) => (holds ? 'inForce' : 'notForShopper');
  const weekend = weekends[market];
  if (weekend) {
    const is = instant < weekend[0] ? 'notYet' : instant >= weekend[1] ? 'over' : 'inForce';
    list.push(
      offer(
        'windy-weekend',
        is,
        goalOf(counted, market === 'uk' ? 3500 : market === 'dk' ? 29_900 : 4000, is === 'inForce'),
        everything,
        (option) => ({ base: 0, own: option.own }),
        spoken,
      ),
    );
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
    const goal = goalOf(
      sums.countedUntaxed,
      target,
      is === 'inForce',
      where.withTax ? shownFor(missing, where) : missing,
    );
    const cap = market === 'us' ? 8000 : 6000;
    list.push(
      offer('trade', is, goal, everything, (option) => (option.base + option.own <= cap ? { base: 0, own: 0 } : null)),
    );
  }
  if (base) {
    const is = instant < schoolFrom ? 'notYet' : codes.includes('SCHOOL') ? 'inForce' : 'needsCode';
    list.push(offer('school-term', is, goalOf(counted, 10_000, is === 'inForce'), isParcel, freeParcels));
  }
  if (base || market === 'uk' || market === 'ch') {
    const is = status(isMember(input));
    list.push(
      offer(
        'members-sooner',
        is,
        goalOf(counted, market === 'uk' ? 4500 : market === 'ch' ? 5500 : 4900, is === 'inForce'),
        isParcel,
        freeParcels,
        { ...spoken, nearly: market === 'uk' ? 900 : market === 'ch' ? 0 : 1000 },
      ),
    );
  }
  if (base || market === 'uk' || market === 'ch' || market === 'us') list.push(firstOrder(where, input, sums, goalOf));
  if (base) {
    const is = status(isAppEvening(input, sums, zone, where.marketZone, market, where.mainland));
    list.push(
      offer('app-evening', is, goalOf(counted, 3500, is === 'inForce'), isParcel, (option) =>
        option.kind === 'parcel' && option.base + option.own <= 700 ? { base: 0, own: option.own } : null,
      ),
    );
  }
  if (market === 'dk') {
    const byCode = codes.includes('POSTCARD');
    const goal = byCode ? { counted, remaining: 0, percent: 100, reached: true } : goalOf(counted, 39_900, true);
    list.push(
      offer('postcard', 'inForce', goal, null, ({ id, own }) => (id === 'dk-parcel-shop' ? { base: 0, own } : null)),
    );
  }
  if (market === 'deat') list.push(twoSteps(zone, counted, goalOf));
  else {
    // Counts with tax, which is what is shown but in one market.
    const taxed = where.withTax ? counted : sums.countedUntaxed + sums.countedTax;
    const target = { nlbe: 7500, uk: 7000, dk: 56_900, ch: 9000, us: 9500, jp: 12_000 }[market]!;
    list.push(
      offer(
        'free-delivery',
        'inForce',
        goalOf(taxed, target, true, where.withTax ? target - taxed : untaxedFor(target - taxed, where)),
        isParcel,
        freeParcels,
        spoken,
      ),
    );
  }
  if (zone === 'nlbe-round') {
    const is = status(isNeighbour(input, codes));
    const own = ({ id }: Price) => id === 'nlbe-round-van' || id === 'nlbe-round-pick-up';
    list.push(
      offer('neighbours', is, goalOf(counted, 2000, is === 'inForce'), null, (option) =>
        own(option) ? covered(option, Math.min(100, option.base + option.own)) : null,
      ),
    );
  }
  if (market === 'dk' || market === 'us' || market === 'jp') {
    const off = market === 'dk' ? 1500 : 200;
    list.push(
      offer(
        'three-spares',
        'inForce',
        goalOf(sums.spares, market === 'jp' ? 4 : 3, true),
        null,
        ({ kind, base: price, own }) => (kind === 'parcel' ? { base: Math.max(0, price - off), own } : null),
        { combines: true, pieces: true, speaks: true },
      ),
    );
  }
  if (market === 'nlbe' || market === 'uk' || market === 'dk' || market === 'us') {
    const used = redemptions?.campaign;
    const entered = codes.includes('GUST10') || codes.includes('GUST11');
    const is = (used?.inAll ?? 0) >= 500 || (used?.byShopper ?? 0) >= 2 ? 'usedUp' : entered ? 'inForce' : 'needsCode';
    const off = market === 'dk' ? 1500 : 200;
    const holds = is === 'inForce';
    const goal = { counted, remaining: holds ? 0 : null, percent: holds ? 100 : 0, reached: holds };
    list.push(
      offer('campaign', is, goal, null, ({ base: price, own }) => ({ base: Math.max(0, price - off), own }), {
        combines: true,
      }),
    );
  }
  if (market === 'ch') {
    list.push(
      offer(
        'heavy-load',
        'inForce',
        goalOf(sums.countedWeight, 5000, true),
        null,
        ({ base: price, own }) => ({ base: price - share(price, 333, 1000), own }),
        { combines: true },
      ),
    );
  }
  return list;
}

const covered = ({ base, own }: Price, price: number): { base: number; own: number } => {
  const left = Math.max(0, base - (base + own - price));
  return { base: left, own: price - left };
};

/** Counts before discounts and with tax. */
function firstOrder(where: Where, input: EvaluationInput, sums: Sums, goalOf: ReturnType<typeof goals>): Offer {
  const { market, withTax } = where;
  const used = input.redemptions?.['first-order'];
  const is = !isFirstOrder(input) ? 'notForShopper' : (used?.byShopper ?? 0) >= 1 ? 'usedUp' : 'inForce';
  const target = market === 'ch' || market === 'us' ? 3000 : 2500;
  const counted = withTax ? sums.counted : sums.countedUntaxed + sums.countedTax;
  const missing = withTax ? target - counted : untaxedFor(target - counted, where);
  return offer(
    'first-order',
    is,
    goalOf(counted, target, is === 'inForce', missing),
    null,
    ({ base, own }) => ({ base: base - share(base, 50, 100), own }),
    spoken,
  );
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

function twoSteps(zone: string, counted: number, goalOf: ReturnType<typeof goals>): Offer {
  const austria = zone === 'deat-austria';
  const steps = [
    ...(austria ? [] : [goalOf(counted, 5900, true)]),
    goalOf(counted, 7900, true),
    goalOf(counted, 13_900, true),
  ];
  const door = austria ? 'deat-austria-door' : 'deat-door';
  return {
    id: 'two-steps',
    status: 'inForce',
    goals: steps,
    combines: false,
    pieces: false,
    speaks: true,
    nearly: -15,
    free: ({ id }, reached) => {
      if (reached === steps.length) return id === door || id === 'deat-parcel-shop';
      if (austria || reached === 2) return true;
      return id === 'deat-parcel-shop';
    },
    price: ({ id, base, own }, reached) => {
      if (reached === steps.length) {
        if (id === door || id === 'deat-parcel-shop') return { base: 0, own: 0 };
        // The express parcel at the price of the door, which is nothing by now.
        return id === 'deat-express' && base + own <= 2500 ? { base: 0, own: 0 } : null;
      }
      if (id === door && (austria || reached === 2)) return { base: Math.min(base, 190), own };
      return id === 'deat-parcel-shop' && !austria ? { base: 0, own } : null;
    },
  };
}
