import { chargeOfPreset } from '../../../src/core/charges/presets.ts';
import { compilePolicy } from '../../../src/core/evaluation/compile.ts';
import { evaluate } from '../../../src/core/evaluation/evaluate.ts';
import type { EvaluationInput } from '../../../src/core/evaluation/evaluation.ts';
import type { DeliveryOption, Policy } from '../../../src/core/policy/types.ts';
import { ordinaryProduct } from '../../../tests/support/random-policy.ts';
import { median, type Bar } from '../bar.ts';

const countries = [
  'NL',
  'BE',
  'DE',
  'AT',
  'GB',
  'DK',
  'CH',
  'US',
  'JP',
  'FR',
  'ES',
  'PT',
  'IT',
  'SE',
  'NO',
  'FI',
  'IE',
  'PL',
  'CZ',
  'SK',
  'HU',
  'RO',
  'BG',
  'GR',
  'HR',
  'SI',
  'LT',
  'LV',
  'EE',
  'LU',
  'MT',
  'CY',
  'IS',
  'CA',
  'MX',
  'BR',
  'AR',
  'CL',
  'PE',
  'CO',
  'AU',
  'NZ',
  'ZA',
  'KE',
  'MA',
  'EG',
  'TR',
  'IN',
  'KR',
  'SG',
];

/** A policy of so many markets, each of so many zones of so many options of so many steps; each zone by its own postcodes. */
function policyOf(markets: number, zones: number, options: number, steps: number): Policy {
  const policy: Policy = {
    version: 4,
    store: { name: 'Many', baseCurrency: 'EUR', timeZone: 'UTC', origin: { country: 'NL', postcode: '' } },
    markets: {},
    zones: {},
    options: {},
    qualifiers: {},
    offers: {
      free: {
        order: 1,
        name: 'Free',
        note: '',
        on: true,
        priority: 1,
        combines: false,
        unlock: { by: 'amount' },
        goals: {
          first: {
            order: 1,
            measure: { kind: 'countedValue', basis: 'afterDiscountsAsShown' },
            targets: {},
            then: 'replace',
            rewards: { free: { order: 1, kind: 'deliveryFree', on: { by: 'all' }, coversOwnDelivery: false } },
          },
        },
      },
    },
    wording: {},
    testCarts: {},
  };
  for (let m = 0; m < markets; m++) {
    const country = countries[m]!;
    policy.markets[`m-${m}`] = {
      order: m,
      name: country,
      countries: [country],
      currency: 'EUR',
      languages: ['en'],
      tax: { prices: 'withTax', delivery: '20', classes: { standard: '20' } },
      preselect: 'first',
    };
    policy.offers.free!.goals.first!.targets[`m-${m}`] = { exact: 9000 };
    for (let z = 0; z < zones; z++) {
      policy.zones[`z-${m}-${z}`] = {
        order: z,
        market: `m-${m}`,
        name: 'Zone',
        on: true,
        area: {
          include: {
            part:
              z === 0
                ? { kind: 'wholeMarket' }
                : { kind: 'postcodes', country, patterns: { [`${1000 + z * 100}..${1099 + z * 100}`]: true } },
          },
        },
      };
      for (let o = 0; o < options; o++) policy.options[`o-${m}-${z}-${o}`] = option(`z-${m}-${z}`, o, steps);
    }
  }
  return policy;
}

const option = (zone: string, order: number, steps: number): DeliveryOption => ({
  order,
  zone,
  on: true,
  name: 'Parcel',
  kind: 'parcel',
  label: {},
  estimate: { min: 1, max: 2 },
  charge: {
    ...chargeOfPreset({
      kind: 'stepsByValue',
      steps: Array.from({ length: steps }, (_, step) => ({
        from: { exact: step * 500 },
        price: { exact: 900 - step },
      })),
    }),
    combine: 'lowest',
  },
});

const input: EvaluationInput = {
  cart: { lines: [{ product: ordinaryProduct(2450, { prices: { 'm-0': 2450 } }), quantity: 2 }] },
  destination: { country: 'NL', postcode: '1999' },
  instant: 0,
};

const evaluations = 2000;

/** Time of one evaluation by size, in µs; rounds interleaved, so that each size meets the same machine. */
function curve(sizes: readonly number[], policy: (size: number) => Policy): { size: number; time: number }[] {
  const compiled = sizes.map((size) => compilePolicy(policy(size)));
  const times = sizes.map((): number[] => []);
  for (let round = 0; round < 25; round++) {
    for (const [index, each] of compiled.entries()) {
      const start = performance.now();
      for (let i = 0; i < evaluations; i++) evaluate(each, input);
      if (round >= 5) times[index]!.push(((performance.now() - start) * 1000) / evaluations);
    }
  }
  return sizes.map((size, index) => ({ size, time: median(times[index]!) }));
}

const shown = (points: { size: number; time: number }[]) =>
  points.map(({ size, time }) => `${size}: ${time.toFixed(1)}`).join(', ');

/** How much longer the largest takes than the smallest, against how much larger it is: at most 1 when linear. */
function growth(points: { size: number; time: number }[]): number {
  const [first, last] = [points[0]!, points.at(-1)!];
  return last.time / first.time / (last.size / first.size);
}

/** Linear in what concerns the cart, flat in what does not: curves up to 50 markets × 20 zones × 10 options. */
export async function bars(): Promise<Bar[]> {
  const options = curve([10, 20, 40, 80], (count) => policyOf(1, 1, count, 4));
  const lines = curve([25, 50, 100, 200], (count) => policyOf(1, 1, 4, count));
  const zones = curve([10, 20, 40, 80], (count) => policyOf(1, count, 10, 4));
  const markets = curve([1, 10, 25, 50], (count) => policyOf(count, 20, 10, 4));
  const linear = (name: string, points: { size: number; time: number }[]): Bar => ({
    name: `µs by ${name}: ${shown(points)}`,
    measured: `${growth(points).toFixed(2)} of the growth in size`,
    required: 'linear (≤ 1.2)',
    held: growth(points) <= 1.2,
  });
  const flat = markets.at(-1)!.time / markets[0]!.time;
  return [
    linear('options', options),
    linear('lines', lines),
    linear('zones of the market', zones),
    {
      name: `µs by markets × 20 zones × 10 options: ${shown(markets)}`,
      measured: `${flat.toFixed(2)}× from 1 to 50`,
      required: 'flat (≤ 1.3×)',
      held: flat <= 1.3,
    },
  ];
}
