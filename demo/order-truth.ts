/**
 * The mixture from which the demo orders are drawn: the known truth that analyses are tested against.
 *
 * In each market an order's value is drawn from one of two log-normal components. `peak` is the component's mode in
 * major units, `spread` the standard deviation of the logarithm, so the logarithm's mean is ln(peak) + spread².
 * Values are rounded to `step`. Everything here is invented.
 */
export interface ValueComponent {
  share: number;
  peak: number;
  spread: number;
}

export interface MarketTruth {
  market: string;
  currency: string;
  /** share of all orders */
  share: number;
  countries: { country: string; share: number; postcodes: readonly string[] }[];
  values: [ValueComponent, ValueComponent];
  /** major units */
  step: number;
  options: { option: string; share: number; price: number }[];
  /** the amount in force from which the first option was free, major units */
  freeFrom: number;
}

export const marketTruths: MarketTruth[] = [
  {
    market: 'nlbe',
    currency: 'EUR',
    share: 0.36,
    step: 0.05,
    freeFrom: 75,
    countries: [
      { country: 'NL', share: 0.7, postcodes: ['1799 ZA', '2599 ZB', '3599 ZC', '9799 ZD'] },
      { country: 'BE', share: 0.3, postcodes: ['1099', '8499', '9099'] },
    ],
    values: [
      { share: 0.58, peak: 38, spread: 0.3 },
      { share: 0.42, peak: 92, spread: 0.2 },
    ],
    options: [
      { option: 'nlbe-door', share: 0.62, price: 5.95 },
      { option: 'nlbe-parcel-shop', share: 0.38, price: 4.5 },
    ],
  },
  {
    market: 'deat',
    currency: 'EUR',
    share: 0.24,
    step: 0.05,
    freeFrom: 79,
    countries: [
      { country: 'DE', share: 0.82, postcodes: ['19999', '49999', '89999'] },
      { country: 'AT', share: 0.18, postcodes: ['1999', '5999'] },
    ],
    values: [
      { share: 0.5, peak: 44, spread: 0.28 },
      { share: 0.5, peak: 104, spread: 0.22 },
    ],
    options: [
      { option: 'deat-door', share: 0.7, price: 5.9 },
      { option: 'deat-parcel-shop', share: 0.3, price: 4.9 },
    ],
  },
  {
    market: 'uk',
    currency: 'GBP',
    share: 0.14,
    step: 0.05,
    freeFrom: 70,
    countries: [{ country: 'GB', share: 1, postcodes: ['ZZ1 1ZZ', 'ZZ9 9ZZ'] }],
    values: [
      { share: 0.62, peak: 34, spread: 0.3 },
      { share: 0.38, peak: 86, spread: 0.2 },
    ],
    options: [
      { option: 'uk-tracked', share: 0.66, price: 6.95 },
      { option: 'uk-collection', share: 0.34, price: 4.95 },
    ],
  },
  {
    market: 'dk',
    currency: 'DKK',
    share: 0.08,
    step: 0.5,
    freeFrom: 549,
    countries: [{ country: 'DK', share: 1, postcodes: ['9199', '5999'] }],
    values: [
      { share: 0.55, peak: 290, spread: 0.28 },
      { share: 0.45, peak: 690, spread: 0.2 },
    ],
    options: [
      { option: 'dk-door', share: 0.4, price: 59 },
      { option: 'dk-parcel-shop', share: 0.6, price: 39 },
    ],
  },
  {
    market: 'ch',
    currency: 'CHF',
    share: 0.07,
    step: 0.05,
    freeFrom: 90,
    countries: [{ country: 'CH', share: 1, postcodes: ['8999', '1299'] }],
    values: [
      { share: 0.52, peak: 52, spread: 0.28 },
      { share: 0.48, peak: 122, spread: 0.2 },
    ],
    options: [
      { option: 'ch-door', share: 0.8, price: 9.9 },
      { option: 'ch-economy', share: 0.2, price: 7.9 },
    ],
  },
  {
    market: 'us',
    currency: 'USD',
    share: 0.07,
    step: 0.05,
    freeFrom: 95,
    countries: [{ country: 'US', share: 1, postcodes: ['00099', '99999'] }],
    values: [
      { share: 0.57, peak: 48, spread: 0.3 },
      { share: 0.43, peak: 116, spread: 0.2 },
    ],
    options: [
      { option: 'us-economy', share: 0.75, price: 9.95 },
      { option: 'us-express', share: 0.25, price: 24.95 },
    ],
  },
  {
    market: 'jp',
    currency: 'JPY',
    share: 0.04,
    step: 10,
    freeFrom: 12000,
    countries: [{ country: 'JP', share: 1, postcodes: ['999-9999'] }],
    values: [
      { share: 0.6, peak: 5600, spread: 0.28 },
      { share: 0.4, peak: 14000, spread: 0.2 },
    ],
    options: [{ option: 'jp-air', share: 1, price: 1800 }],
  },
];

/**
 * The past offer: free delivery from `goal` in one market for a while. Of the orders whose value would have been in
 * [goal − reach, goal), the share `moved` is instead placed at goal + an exponential amount of mean `over`.
 */
export const pastOffer = {
  market: 'nlbe',
  from: '2025-04-01',
  until: '2025-07-01',
  goal: 60,
  reach: 15,
  moved: 0.45,
  over: 2.5,
};

/**
 * An experiment that is over: half of a market’s shoppers had another goal. Of their orders whose value would have been in
 * [goal − reach, goal), the share `moved` is instead placed at goal + an exponential amount of mean `over`. Shoppers that were
 * quoted in it: so many of each arm.
 */
export const finishedExperiment = {
  market: 'uk',
  experiment: 'lower-goal-uk',
  arms: ['as-it-is', 'lower'],
  from: '2026-02-02',
  lastDay: '2026-08-30',
  goal: 50,
  reach: 25,
  moved: 0.8,
  over: 10,
  shoppers: [6412, 6365],
};

/** One that goes on: half of a market’s shoppers have a higher goal, and order as they would have. */
export const runningExperiment = {
  market: 'dk',
  experiment: 'higher-goal-dk',
  arms: ['as-it-is', 'higher'],
  from: '2026-10-05',
  lastDay: '2027-03-28',
  goal: 599,
  reach: 0,
  moved: 0,
  over: 0,
  shoppers: [371, 358],
};

export const period = { from: '2024-11-01', until: '2026-11-01' };
export const orderCount = 24_000;

/** Relative number of orders by weekday, Monday first. */
export const weekdayShape = [1.05, 0.95, 0.95, 1, 1.1, 1.25, 1.3];
/** Relative number of orders by month, January first: kites sell in spring and before the holidays. */
export const monthShape = [0.6, 0.7, 1.0, 1.3, 1.4, 1.25, 1.1, 1.0, 0.85, 0.75, 0.9, 1.15];
/** Relative number of orders by hour of the day, UTC. */
export const hourShape = [1, 1, 1, 1, 1, 2, 4, 6, 7, 7, 7, 8, 8, 8, 8, 8, 9, 10, 12, 12, 10, 7, 4, 2];
export const returningShare = 0.34;
