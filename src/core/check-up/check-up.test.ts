import { describe, expect, test } from 'vitest';
import { demoPolicy } from '../../../demo/policy/demo-policy.ts';
import { demoProducts } from '../../../demo/products.ts';
import { changed } from '../../../tests/support/evaluate-store.ts';
import { smallStore } from '../../../tests/support/small-store.ts';
import { catalogueOf, type Product } from '../catalogue/product.ts';
import { checkPolicy } from '../checks/validate.ts';
import { compilePolicy } from '../evaluation/compile.ts';
import { evaluate } from '../evaluation/evaluate.ts';
import type { Evaluation } from '../evaluation/evaluation.ts';
import { inputOfTestCart } from '../evaluation/test-cart-input.ts';
import { withPatches } from '../policy/patch.ts';
import type { DeliveryOption, Policy } from '../policy/types.ts';
import { checkUp } from './check-up.ts';
import type { Finding } from './finding.ts';
import { findingKinds } from './registry.ts';

const now = Date.parse('2026-11-24T11:00Z');
const findingsOf = (policy: Policy, products: readonly Product[] = demoProducts) =>
  checkUp({ compiled: compilePolicy(policy), catalogue: catalogueOf(products), now, locale: 'en-GB' });
const demo = findingsOf(demoPolicy);
const known = new Set(demo.map(({ id }) => id));

interface Seed {
  kind: string;
  plant?: (policy: Policy) => void;
  products?: (products: Product[]) => void;
  /** part of a sentence that is new */
  says: string;
  /** other kinds that the same fault brings with it */
  also?: string[];
}

const productOf = (products: Product[], id: string): Product => products.find((product) => product.id === id)!;

/** Contiguous steps of goods value: from, price. */
const steps = (...all: [from: number, price: number][]): DeliveryOption['charge'] => ({
  combine: 'first',
  lines: Object.fromEntries(
    all.map(([from, price], index) => {
      const next = all[index + 1];
      const over = { measure: 'goodsValue' as const, from: { exact: from }, to: next ? { exact: next[0] } : null };
      return [`step-${index + 1}`, { order: index + 1, over, price: { fixed: { exact: price } } }];
    }),
  ),
  otherwise: { kind: 'notOffered' },
});

/** Each kind, planted into the demo in three ways. */
const seeds: Seed[] = [
  {
    kind: 'uncoveredCountry',
    plant: ({ markets, zones }) => {
      markets.dk!.countries.push('IS');
      zones['dk-all']!.area.include = { dk: { kind: 'country', country: 'DK' } };
    },
    says: 'sells to Iceland, but no zone',
  },
  {
    kind: 'uncoveredCountry',
    plant: ({ zones }) => (zones['ch-all']!.on = false),
    says: 'sells to Switzerland, but no zone',
  },
  {
    kind: 'uncoveredCountry',
    plant: ({ zones }) =>
      (zones['jp-all']!.area.include = { some: { kind: 'postcodes', country: 'JP', patterns: { '1*': true } } }),
    says: 'In Japan only some places are in a zone',
  },
  {
    kind: 'zoneWithoutOption',
    plant: ({ options }) => {
      for (const option of Object.values(options)) if (option.zone === 'ch-all') option.on = false;
    },
    says: 'has no delivery option that is on',
  },
  {
    kind: 'zoneWithoutOption',
    plant: ({ options }) => {
      for (const option of Object.values(options)) if (option.zone === 'nlbe-islands') option.on = false;
    },
    says: 'has no delivery option that is on',
  },
  {
    kind: 'zoneWithoutOption',
    plant: ({ zones }) => {
      zones['dk-far'] = {
        order: 900,
        market: 'dk',
        name: 'Far islands',
        on: true,
        area: { include: { far: { kind: 'postcodes', country: 'DK', patterns: { '3700..3799': true } } } },
      };
    },
    says: '“Far islands” has no delivery option that is on',
  },
  {
    kind: 'codeClash',
    plant: ({ offers }) => (offers.postcard!.unlock = { by: 'amountOrCode', codes: { GUST10: true } }),
    says: 'The code “GUST10” unlocks',
  },
  {
    kind: 'codeClash',
    plant: ({ offers }) => (offers.postcard!.unlock = { by: 'amountOrCode', codes: { GUST10: true, POST: true } }),
    says: 'The code “GUST10” unlocks “Autumn letter” and “Postcard” alike',
  },
  {
    kind: 'codeGuessed',
    plant: ({ offers }) => (offers.postcard!.unlock = { by: 'amountOrCode', codes: { '1234': true } }),
    says: 'The code “1234” of “Postcard”',
  },
  {
    kind: 'codeGuessed',
    plant: ({ offers }) => (offers.postcard!.unlock = { by: 'amountOrCode', codes: { AB: true } }),
    says: 'The code “AB” of “Postcard”',
  },
  {
    kind: 'offerDates',
    plant: ({ offers }) =>
      (offers['two-steps']!.schedule = { readIn: 'market', from: '2025-11-01T00:00', until: '2025-12-01T00:00' }),
    says: '“Two steps up” is on, but it ended on Monday 1 December',
  },
  {
    kind: 'offerDates',
    plant: ({ offers }) => (offers['free-delivery']!.schedule = { readIn: 'store', until: '2025-12-01T00:00' }),
    says: '“Free delivery” is on, but it ended on',
  },
  {
    kind: 'noticeDates',
    plant: ({ notices }) => (notices!['order-today']!.schedule = { readIn: 'store', until: '2025-12-01T00:00' }),
    says: '“Order by four” is on, but it ended on',
  },
  {
    kind: 'goalUnderCheapest',
    plant: ({ offers }) => (offers['free-delivery']!.goals.first!.targets.uk = { exact: 10 }),
    says: 'the goal of “Free delivery” is £0.10',
  },
  {
    kind: 'offerMissing',
    plant: ({ offers }) => delete offers['free-delivery']!.goals.first!.targets.jp,
    says: 'has no goal in “Germany & Austria”, “Japan”',
  },
  {
    kind: 'unmeasuredProduct',
    products: (products) => (productOf(products, 'petrel-stunt').weightGrams = null),
    says: 'has no weight',
  },
  {
    kind: 'unmeasuredProduct',
    products: (products) => (productOf(products, 'petrel-stunt').sizeMm = null),
    says: 'has no size',
  },
  {
    kind: 'pieceOverLimit',
    products: (products) => (productOf(products, 'petrel-stunt').weightGrams = 90_000),
    says: 'it travels alone, over the limit',
  },
  {
    kind: 'pickUpWithoutHours',
    plant: ({ places }) => {
      for (const place of Object.values(places!)) delete place.hours;
    },
    says: 'has no opening hours',
  },
  {
    kind: 'risingPrice',
    plant: ({ options }) => (options['uk-tracked']!.charge = steps([0, 400], [5000, 700])),
    says: '“Tracked parcel” costs £4.00 below £50.00 of goods and £7.00 from there on.',
  },
  {
    kind: 'risingPrice',
    plant: ({ options }) => (options['uk-collection']!.charge = steps([0, 400], [1000, 300], [2000, 500])),
    says: 'costs £3.00 below £20.00 of goods and £5.00 from there on',
  },
  {
    kind: 'risingPrice',
    plant: ({ options, offers }) => {
      options['uk-tracked']!.charge = steps([0, 400], [9000, 600]);
      for (const offer of Object.values(offers)) offer.on = false;
    },
    says: 'costs £4.00 below £90.00 of goods and £6.00 from there on.',
  },
  {
    kind: 'rewardChangesNothing',
    plant: ({ options }) => {
      for (const option of Object.values(options)) if (option.zone.startsWith('uk')) option.charge = steps([0, 0]);
    },
    says: 'In “United Kingdom” reaching a goal of “Free delivery” changes no price',
  },
  {
    kind: 'rewardChangesNothing',
    plant: ({ offers }) => {
      offers['free-delivery']!.goals.first!.rewards.delivery = {
        order: 1,
        kind: 'deliveryAt',
        on: { by: 'all' },
        coversOwnDelivery: true,
        price: Object.fromEntries(['nlbe', 'uk', 'dk', 'ch', 'us', 'jp'].map((id) => [id, { exact: 900_000 }])),
      };
    },
    says: 'In “Japan” reaching a goal of “Free delivery” changes no price',
  },
  {
    kind: 'shadowedLine',
    plant: ({ options }) => {
      const { charge } = options['uk-tracked']!;
      charge.lines = { always: { order: -1, price: { fixed: { exact: 100 } } }, ...charge.lines };
      charge.combine = 'first';
    },
    says: 'of “Tracked parcel” is never taken: line 1 above it takes all its carts',
  },
  {
    kind: 'carrierWithoutFallback',
    plant: ({ options }) => {
      const { charge } = options['uk-tracked']!;
      charge.lines = { quoted: { order: 1, price: { carrier: 'sky-post', marginPercent: '0' } } };
      charge.otherwise = { kind: 'notOffered' };
    },
    says: 'When “sky-post” does not answer, “Tracked parcel” has no price to fall back on',
  },
  {
    kind: 'optionDates',
    plant: ({ options }) => (options['uk-tracked']!.schedule = { readIn: 'store', until: '2025-01-01T00:00' }),
    says: '“Tracked parcel” is on, but it ended on',
  },
];

describe('faults that are planted into the demo', () => {
  test.each(seeds.map((seed, index) => [`${index + 1} ${seed.kind}`, seed] as const))('%s', (_, seed) => {
    const products = structuredClone(demoProducts);
    seed.products?.(products);
    const policy = seed.plant ? changed(demoPolicy, seed.plant) : demoPolicy;
    expect(checkPolicy(policy)).toMatchObject({ ok: true });
    const fresh = findingsOf(policy, products).filter(({ id, sentence }) => {
      const before = demo.find((finding) => finding.id === id);
      return !before || before.sentence !== sentence;
    });
    expect(fresh.filter(({ kind }) => kind === seed.kind).map(({ sentence }) => sentence)).toEqual(
      expect.arrayContaining([expect.stringContaining(seed.says)]),
    );
    // Nothing else is called wrong.
    expect(fresh.filter(({ kind, severity }) => severity === 'wrong' && kind !== seed.kind)).toEqual(
      fresh.filter(({ kind }) => seed.also?.includes(kind)),
    );
  });
});

/** Whether an evaluation shows what a finding of a kind says. */
const shows: Partial<Record<string, (evaluation: Evaluation, finding: Finding) => boolean>> = {
  uncoveredCountry: ({ noOptions }) => noOptions === 'noZone',
  zoneWithoutOption: ({ noOptions }) => noOptions === 'zoneWithoutOptions',
  carrierWithoutFallback: ({ unavailable }, { at }) =>
    unavailable.some(({ optionId }) => at.startsWith(`/options/${optionId}/`)),
  unmeasuredProduct: ({ measures }) =>
    measures!.charged.withoutWeight.length + measures!.charged.withoutSize.length > 0,
  pieceOverLimit: ({ measures }) => measures!.charged.weight > 0,
  goalUnderCheapest: ({ offers }, { at }) =>
    offers.some(({ offerId, goals }) => at.startsWith(`/offers/${offerId}/`) && goals[0]!.counted >= goals[0]!.target!),
};

test('an example shows what its sentence says, and a remedy takes its finding away', () => {
  const policies = [
    demoPolicy,
    smallStore,
    ...seeds.filter(({ plant }) => plant).map(({ plant }) => changed(demoPolicy, plant!)),
  ];
  const shown = new Set<string>();
  const mended = new Set<string>();
  for (const policy of policies) {
    const compiled = compilePolicy(policy);
    for (const finding of findingsOf(policy)) {
      const { example, remedy, kind, id } = finding;
      if (example) {
        const { input } = inputOfTestCart(example, catalogueOf(demoProducts), now);
        expect([id, shows[kind]!(evaluate(compiled, input), finding)]).toEqual([id, true]);
        shown.add(kind);
      }
      if (remedy) {
        const after = withPatches(policy, [remedy.patch]);
        expect(checkPolicy(after)).toMatchObject({ ok: true });
        expect(findingsOf(after).map((one) => one.id)).not.toContain(id);
        mended.add(kind);
      }
    }
  }
  expect([...shown].sort()).toEqual([
    'carrierWithoutFallback',
    'goalUnderCheapest',
    'uncoveredCountry',
    'zoneWithoutOption',
  ]);
  expect([...mended].sort()).toEqual([
    'codeClash',
    'noticeDates',
    'offerDates',
    'offerMissing',
    'optionDates',
    'shadowedLine',
  ]);
});

test('every finding has an id of its own, and the worst come first', () => {
  expect(known.size).toBe(demo.length);
  const ranks = demo.map(({ severity }) => ['wrong', 'risky', 'remark'].indexOf(severity));
  expect(ranks).toEqual([...ranks].sort((a, b) => a - b));
  expect(new Set(demo.map(({ kind }) => kind)).size).toBeLessThan(findingKinds.all.length);
});
