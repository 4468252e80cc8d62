import type { EvaluationInput } from '../../../../../src/core/evaluation/evaluation.ts';
import { distanceKm } from '../../../../../src/core/geography/distance.ts';
import { addWorkingDays, workingDayFrom, type WorkingDays } from '../../../../../src/core/time/working-days.ts';
import { dateOfDay, dayNumber, isoWeekday } from '../../../../../src/core/time/day.ts';
import { instantOfClock, localTime } from '../../../../../src/core/time/time-zone-clock.ts';
import type { Answer, Offer, Price } from './answer.ts';
import { included, share, sumsOf, type Sums } from './cart-sums.ts';
import { offersIn } from './offers.ts';
import { pricesIn } from './options.ts';
import { kmFromShop } from './shopper-facts.ts';

/** What a programmer would write who needs exactly the demo policy and nothing else. Answers as the engine does. */
export function answerByHand(input: EvaluationInput): Answer {
  const { destination, cart, instant } = input;
  const market = marketOf[destination.country] ?? 'us';
  const terms = termsOf[market]!;
  const newYork = destination.region === 'US-NY';
  const standard = market !== 'us' ? terms.standard : newYork ? 8875 : destination.region === 'US-CA' ? 7250 : 0;
  const reduced = market === 'us' ? standard : terms.reduced;
  const per = terms.per;
  const deliveryRate = market === 'us' && !newYork ? 0 : standard;
  const withTax = market !== 'us';
  const sums = sumsOf(input, market, withTax, standard, reduced, per, terms.letterFrom, terms.spareBelow);
  const postcode = destination.postcode === '' ? '' : destination.postcode.toUpperCase().replace(/[\s-]/g, '');
  const zone = zoneOf(market, input, postcode);
  if (zone === null)
    return {
      market,
      zone: null,
      options: [],
      offers: [],
      lead: null,
      gifts: [],
      preselected: null,
      totals: totals(sums, null, 0, withTax, per),
    };
  const codes = cart.codes ? cart.codes.map((code) => code.trim().toUpperCase()) : none;
  const mainland = !(
    destination.region === 'US-AK' ||
    destination.region === 'US-HI' ||
    postcode === '1795ZX' ||
    inRange(postcode, 8891, 8899)
  );
  const offers = offersIn(
    { market, zone, marketZone: terms.zone, codes, mainland, standard, per, withTax },
    input,
    sums,
  );
  const answer: Answer = {
    market,
    zone,
    options: [],
    offers: offers.map(({ id, status, goals }) => ({ id, status, goals })),
    lead: null,
    gifts: [],
    preselected: null,
    totals: null,
  };
  for (const { id, status, goals } of offers)
    if (id === 'school-term' && status === 'inForce' && goals[0]!.reached)
      answer.gifts.push({ product: 'kite-book', quantity: 1 });
  const letter = offers.find(({ id, status }) => id === 'campaign' && status === 'inForce');
  const off = letter?.goals[0]!.reached ? share(sums.letterGoods, 10, 100) : 0;
  if (sums.barred || (sums.items > 0 && !sums.needsDelivery)) {
    answer.totals = totals(sums, null, off, withTax, per);
    return answer;
  }
  const now = localTime('Europe/Amsterdam', instant);
  const prices = pricesIn(zone, input, sums);
  const swiss = market === 'ch';
  const paid = prices.map((price) => best(price, offers, swiss, null));
  for (const [index, price] of prices.entries()) {
    const { after } = paid[index]!;
    answer.options.push({
      id: price.id,
      before: swiss ? cash(price.base + price.own) : price.base + price.own,
      after,
      tax: after === 0 ? 0 : withTax ? included(after, deliveryRate, per) : share(after, deliveryRate, per),
      ...arrival(price.id, now.day, now.minute, instant, sums.prepare),
    });
  }
  let chosen = answer.options[0] ?? null;
  if (terms.cheapest) for (const option of answer.options) if (chosen && option.after < chosen.after) chosen = option;
  answer.preselected = chosen?.id ?? null;
  answer.totals = totals(sums, chosen, off, withTax, per);
  const orderToday = market === 'nlbe' && isTimeToOrder(now) && prices.some(({ kind }) => kind === 'parcel');
  answer.lead = lead(offers, prices, paid, answer, swiss);
  if (orderToday && (answer.lead === null || answer.lead.state === 'missedOut'))
    answer.lead = { offer: 'order-today', state: 'notice' };
  return answer;
}

/** The last six hours before the cut-off of a day on which parcels leave. */
const isTimeToOrder = ({ day, minute }: { day: number; minute: number }): boolean =>
  minute >= 600 && minute < 960 && workingDayFrom(shopDays, day) === day;

const none: readonly string[] = [];
const marketOf: Record<string, string> = {
  NL: 'nlbe',
  BE: 'nlbe',
  LU: 'nlbe',
  DE: 'deat',
  AT: 'deat',
  GB: 'uk',
  DK: 'dk',
  CH: 'ch',
  US: 'us',
  JP: 'jp',
};
const termsOf: Record<
  string,
  {
    standard: number;
    reduced: number;
    per: number;
    letterFrom: number;
    spareBelow: number;
    zone: string;
    cheapest: boolean;
  }
> = {
  nlbe: {
    standard: 21,
    reduced: 9,
    per: 100,
    letterFrom: 2000,
    spareBelow: 0,
    zone: 'Europe/Amsterdam',
    cheapest: false,
  },
  deat: { standard: 19, reduced: 7, per: 100, letterFrom: 0, spareBelow: 0, zone: 'Europe/Berlin', cheapest: false },
  uk: { standard: 20, reduced: 0, per: 100, letterFrom: 1800, spareBelow: 0, zone: 'Europe/London', cheapest: true },
  dk: {
    standard: 25,
    reduced: 25,
    per: 100,
    letterFrom: 15_000,
    spareBelow: 15_000,
    zone: 'Europe/Copenhagen',
    cheapest: true,
  },
  ch: { standard: 81, reduced: 26, per: 1000, letterFrom: 0, spareBelow: 0, zone: 'Europe/Zurich', cheapest: false },
  us: {
    standard: 0,
    reduced: 0,
    per: 100_000,
    letterFrom: 2200,
    spareBelow: 2000,
    zone: 'America/New_York',
    cheapest: true,
  },
  jp: { standard: 10, reduced: 8, per: 100, letterFrom: 0, spareBelow: 3000, zone: 'Asia/Tokyo', cheapest: false },
};

function inRange(postcode: string, from: number, to: number): boolean {
  const number = Number.parseInt(postcode, 10);
  return number >= from && number <= to;
}

function zoneOf(
  market: string,
  { destination: { country, region, coordinates } }: EvaluationInput,
  postcode: string,
): string | null {
  switch (market) {
    case 'nlbe': {
      const islands =
        country === 'NL' &&
        postcode !== '' &&
        (inRange(postcode, 8891, 8899) || /^17.7Z/.test(postcode) || postcode === '1795ZX');
      if (islands && postcode !== '8895ZZ') return 'nlbe-islands';
      if (coordinates && kmFromShop(coordinates) <= 15) return 'nlbe-round';
      return country === 'LU' ? null : 'nlbe-all';
    }
    case 'deat':
      return country === 'AT' ? 'deat-austria' : 'deat-all';
    case 'uk':
      return (postcode.startsWith('ZZ9') && !postcode.startsWith('ZZ91')) || postcode === 'ZY14ZZ'
        ? 'uk-highlands'
        : 'uk-all';
    case 'us':
      if (coordinates && distanceKm({ latitude: 40.7, longitude: -74.2 }, coordinates) <= 20 * 1.609344)
        return 'us-pick-up';
      if (region === 'US-AK' || region === 'US-HI') return 'us-far';
      return country === 'US' ? 'us-all' : null;
    default:
      return `${market}-all`;
  }
}

const cash = (amount: number): number => Math.floor((2 * amount + 5) / 10) * 5;

/** What is paid for an option, and who set that. */
interface Paid {
  after: number;
  by: readonly Offer[];
}

const nobody: readonly Offer[] = [];

/** Everything that combines together, against each of the others alone. @param ahead an offer whose next goal is taken as reached */
function best(price: Price, offers: readonly Offer[], swiss: boolean, ahead: Offer | null): Paid {
  const before = price.base + price.own;
  let lowest = before;
  let alone = -1;
  let together = price;
  let firstTogether = -1;
  let lowered: Offer[] | null = null;
  for (let rank = 0; rank < offers.length; rank++) {
    const offer = offers[rank]!;
    if (offer.status !== 'inForce') continue;
    const reached = offer.goals.filter((goal) => goal.reached).length + (offer === ahead ? 1 : 0);
    if (reached === 0) continue;
    const parts = offer.price(offer.combines ? together : price, reached);
    if (parts === null) continue;
    if (!offer.combines) {
      if (parts.base + parts.own >= lowest) continue;
      lowest = parts.base + parts.own;
      alone = rank;
      continue;
    }
    if (firstTogether < 0) firstTogether = rank;
    if (parts.base + parts.own < together.base + together.own) (lowered ??= []).push(offer);
    together = { ...price, ...parts };
  }
  const joined = together.base + together.own;
  const wins = lowered !== null && (joined < lowest || (joined === lowest && (alone < 0 || firstTogether < alone)));
  const after = wins ? joined : lowest;
  const by = wins ? lowered! : alone >= 0 ? [offers[alone]!] : nobody;
  if (!swiss) return { after, by };
  return cash(after) < cash(before) ? { after: cash(after), by } : { after: cash(after), by: nobody };
}

function totals(
  { goods, goodsTax, lineTaxes, letterGoods }: Sums,
  chosen: { after: number; tax: number } | null,
  off: number,
  withTax: boolean,
  per: number,
): Answer['totals'] {
  let tax = goodsTax;
  if (off > 0) {
    // Spread by largest remainder.
    const parts = lineTaxes.map(({ value, letter }) => (letter ? Math.floor((off * value) / letterGoods) : 0));
    const rests = lineTaxes
      .map(({ value, letter }, index) => ({ index, rest: letter ? (off * value) % letterGoods : 0 }))
      .sort((a, b) => b.rest - a.rest || a.index - b.index);
    let left = off - parts.reduce((a, b) => a + b, 0);
    for (let i = 0; left > 0; i++, left--) parts[rests[i]!.index]! += 1;
    tax = 0;
    for (const [index, { value, rate }] of lineTaxes.entries()) {
      const amount = value - parts[index]!;
      tax += amount === 0 ? 0 : withTax ? included(amount, rate, per) : share(amount, rate, per);
    }
  }
  tax += chosen?.tax ?? 0;
  const delivery = chosen?.after ?? 0;
  return { goods, goodsReward: off, delivery, tax, toPay: goods - off + delivery + (withTax ? 0 : tax) };
}

interface Ahead {
  offer: Offer;
  goal: Offer['goals'][number];
  leadsTo: readonly Paid[];
}

const improves = (from: readonly Paid[], to: readonly Paid[]): boolean =>
  to.some(({ after }, index) => after < from[index]!.after);

/** The goals ahead by priority, each after those that ask less for as much; then what is given; then what is missed. */
function lead(
  offers: readonly Offer[],
  prices: readonly Price[],
  paid: readonly Paid[],
  answer: Answer,
  swiss: boolean,
): Answer['lead'] {
  if (answer.options.length === 0) return null;
  const isFree = (offer: Offer, reached: number, at: readonly Paid[]) =>
    offer.free === null || prices.some((price, index) => at[index]!.after === 0 && offer.free!(price, reached));
  const ahead: Ahead[] = [];
  let missed: Answer['lead'] = null;
  for (const offer of offers) {
    // The only offer with words for those who miss out on it.
    if (offer.id === 'neighbours' && (offer.status === 'notForShopper' || offer.status === 'usedUp'))
      missed = { offer: offer.id, state: 'missedOut' };
    if (offer.status !== 'inForce' || !offer.speaks) continue;
    const next = offer.goals.findIndex(({ reached }) => !reached);
    if (next < 0 || offer.goals[next]!.remaining === null) continue;
    const leadsTo = prices.map((price) => best(price, offers, swiss, offer));
    if (
      improves(paid, leadsTo) &&
      (offer.id === 'two-steps' && !stepIsFree(offer, next) ? true : isFree(offer, next + 1, leadsTo))
    )
      ahead.push({ offer, goal: offer.goals[next]!, leadsTo });
  }
  if (ahead.length > 0) {
    let first = ahead[0]!;
    for (const other of ahead) {
      if (
        other.offer.pieces === ahead[0]!.offer.pieces &&
        other.goal.remaining! < first.goal.remaining! &&
        !improves(other.leadsTo, ahead[0]!.leadsTo)
      )
        first = other;
    }
    return { offer: first.offer.id, state: stateOf(first) };
  }
  let given: { offer: Offer; weight: number } | null = null;
  for (const offer of offers) {
    if (offer.status !== 'inForce' || !offer.speaks) continue;
    const reached = offer.goals.filter((goal) => goal.reached).length;
    let weight = 0;
    for (const [index, { by }] of paid.entries())
      if (by.includes(offer)) weight += prices[index]!.id === answer.preselected ? 1e6 : 1;
    if (weight === 0 || (given !== null && weight <= given.weight)) continue;
    if (offer.id === 'two-steps' && !stepIsFree(offer, reached - 1) ? false : !isFree(offer, reached, paid)) continue;
    given = { offer, weight };
  }
  return given ? { offer: given.offer.id, state: 'reached' } : missed;
}

/** Of the steps only that of the door is not free. */
const stepIsFree = ({ goals }: Offer, step: number): boolean => (goals.length === 3 ? step !== 1 : step !== 0);

function stateOf({ offer, goal }: Ahead): string {
  if (offer.goals.some(({ reached }) => reached)) return 'onward';
  if (goal.counted === 0) return 'invite';
  const near = offer.nearly < 0 ? share(goal.counted + goal.remaining!, -offer.nearly, 100) : offer.nearly;
  return goal.remaining! <= near ? 'nearly' : 'progress';
}

const shopDays: WorkingDays = {
  weekdays: new Set([1, 2, 3, 4, 5]),
  holidays: new Set(
    ['2026-12-25', '2026-12-26', '2027-01-01', '2027-03-29', '2027-04-27'].map((date) => dayNumber(date)!),
  ),
  opens: 0,
};
const beachDays: WorkingDays = {
  weekdays: new Set([3, 4, 5, 6, 7]),
  holidays: new Set([dayNumber('2026-12-25')!]),
  opens: 570,
};
const usualDays: WorkingDays = { weekdays: new Set([1, 2, 3, 4, 5]), holidays: new Set(), opens: 0 };
const daysOf: Record<string, [number, number]> = {
  'nlbe-door': [1, 2],
  'nlbe-parcel-shop': [2, 3],
  'nlbe-islands-ferry': [2, 4],
  'nlbe-islands-air': [1, 1],
  'nlbe-round-door': [1, 1],
  'deat-door': [2, 3],
  'deat-parcel-shop': [2, 4],
  'deat-express': [1, 1],
  'deat-austria-door': [3, 4],
  'uk-tracked': [3, 5],
  'uk-collection': [4, 6],
  'uk-highlands-parcel': [5, 8],
  'uk-highlands-summer': [2, 3],
  'dk-door': [2, 3],
  'dk-parcel-shop': [2, 4],
  'ch-door': [3, 4],
  'ch-economy': [6, 9],
  'us-economy': [8, 12],
  'us-express': [3, 4],
  'us-far-economy': [10, 18],
  'us-pick-up-economy': [5, 7],
  'jp-air': [5, 9],
};
/** When the shop is open, in minutes, by weekday. */
const shopOpen: Record<number, [number, number][]> = {
  2: [
    [570, 750],
    [795, 1050],
  ],
  3: [[570, 1050]],
  4: [[570, 1050]],
  5: [[570, 1200]],
  6: [[600, 1020]],
};

function whenOpen(instant: number): number {
  const { day, minute } = localTime('Europe/Amsterdam', instant);
  for (let later = 0; ; later++) {
    for (const [from, to] of shopOpen[isoWeekday(day + later)] ?? []) {
      if (later === 0 && minute >= to) continue;
      return later === 0 && minute >= from ? instant : instantOfClock('Europe/Amsterdam', day + later, from, 'earlier');
    }
  }
}

const hoursOf: Record<string, { min: number; max: number; cutOff: number; days: WorkingDays; atShop?: true }> = {
  'nlbe-counter': { min: 0, max: 0, cutOff: 1440, days: usualDays, atShop: true },
  'nlbe-round-van': { min: 2, max: 5, cutOff: 840, days: beachDays },
  'nlbe-round-pick-up': { min: 1, max: 1, cutOff: 1020, days: shopDays, atShop: true },
  'us-pick-up-warehouse': { min: 4, max: 24, cutOff: 1440, days: usualDays },
};
type Arrival = Pick<Answer['options'][number], 'leaves' | 'earliest' | 'latest'>;
const arrivals = new Map<string, Arrival>();

function arrival(option: string, day: number, minute: number, instant: number, prepare: number): Arrival {
  const hours = hoursOf[option];
  if (hours) {
    const starts = Math.max(
      instant,
      instantOfClock(
        'Europe/Amsterdam',
        addWorkingDays(hours.days, workingDayFrom(hours.days, day + (minute >= hours.cutOff ? 1 : 0)), prepare),
        hours.days.opens,
        'earlier',
      ),
    );
    const ready = (count: number) => (hours.atShop ? whenOpen(starts + count * 3_600_000) : starts + count * 3_600_000);
    return { leaves: starts, earliest: ready(hours.min), latest: ready(hours.max) };
  }
  const ordered = day + (minute >= 960 ? 1 : 0);
  const [min, max] = daysOf[option]!;
  const key = `${option} ${ordered} ${prepare}`;
  const known = arrivals.get(key);
  if (known) return known;
  const leaves = addWorkingDays(shopDays, workingDayFrom(shopDays, ordered), prepare);
  const found = {
    leaves: dateOfDay(leaves),
    earliest: dateOfDay(addWorkingDays(shopDays, leaves, min)),
    latest: dateOfDay(addWorkingDays(shopDays, leaves, max)),
  };
  arrivals.set(key, found);
  return found;
}
