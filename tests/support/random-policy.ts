import fc from 'fast-check';
import type { Product } from '../../src/core/catalogue/product.ts';
import type { AreaPart, Charge, DeliveryOption, Offer, Policy, Reward } from '../../src/core/policy/types.ts';

const amount = fc.integer({ min: 1, max: 20_000 });

const stepped: fc.Arbitrary<Charge> = fc
  .record({ edges: fc.uniqueArray(amount, { minLength: 1, maxLength: 4 }), prices: fc.array(fc.integer({ min: 0, max: 3000 }), { minLength: 5, maxLength: 5 }), open: fc.boolean(), first: fc.boolean() })
  .map(({ edges, prices, open, first }) => {
    const from = [...(first ? [0] : []), ...edges.sort((a, b) => a - b)];
    return {
      combine: 'first',
      lines: Object.fromEntries(
        from.map((start, index) => {
          const next = from[index + 1];
          const to = next !== undefined ? { exact: next } : open ? null : { exact: start + 5000 };
          return [`line-${index}`, { order: index, over: { measure: 'goodsValue', from: { exact: start }, to }, price: { fixed: { exact: prices[index]! } } }];
        }),
      ),
      otherwise: prices[0]! % 2 === 0 ? { kind: 'notOffered' } : { kind: 'price', price: { exact: prices[4]! } },
    };
  });

/** Lines that overlap and leave gaps: what a person can end up with. */
const untidy: fc.Arbitrary<Charge> = fc.array(fc.record({ from: fc.integer({ min: 0, max: 15_000 }), size: amount, price: fc.integer({ min: 0, max: 3000 }) }), { maxLength: 5 }).map((lines) => ({
  combine: 'first',
  lines: Object.fromEntries(lines.map(({ from, size, price }, index) => [`line-${index}`, { order: index, over: { measure: 'goodsValue', from: { exact: from }, to: { exact: from + size } }, price: { fixed: { exact: price } } }])),
  otherwise: { kind: 'price', price: { exact: 999 } },
}));

const countRange = fc.tuple(fc.integer({ min: 0, max: 6000 }), fc.option(fc.integer({ min: 1, max: 6000 }))).map(([from, size]) => ({ from, to: size === null ? null : from + size }));
const countMeasure = fc.constantFrom('items', 'lines', 'weight', 'volume', 'longestSide', 'chargeableWeight');
const exact = (max: number) => fc.integer({ min: 0, max }).map((minor) => ({ exact: minor }));

/** Every measure, per-unit prices, minimum and maximum, and the four ways to combine. */
const general: fc.Arbitrary<Charge> = fc.record({
  combine: fc.constantFrom('first', 'sum', 'highest', 'lowest'),
  volumeDivisor: fc.constantFrom(4000, 5000, 6000),
  lines: fc.dictionary(
    fc.constantFrom('a', 'b', 'c', 'd'),
    fc.record({
      order: fc.integer({ min: 0, max: 3 }),
      over: fc.oneof(
        fc.record({ measure: fc.constant('goodsValue' as const), range: countRange }).map(({ measure, range }) => ({ measure, from: { exact: range.from }, to: range.to === null ? null : { exact: range.to } })),
        fc.record({ measure: countMeasure, range: countRange }).map(({ measure, range }) => ({ measure, ...range })),
      ),
      price: fc.record({ fixed: exact(2000), perUnit: fc.record({ measure: countMeasure, amount: exact(300), per: fc.integer({ min: 1, max: 1500 }), started: fc.boolean() }), max: fc.integer({ min: 1000, max: 9000 }).map((minor) => ({ exact: minor })), min: exact(900) }, { requiredKeys: ['fixed'] }),
    }),
  ),
  otherwise: fc.constantFrom<Charge['otherwise']>({ kind: 'notOffered' }, { kind: 'price', price: { exact: 777 } }),
});

const flat: fc.Arbitrary<Charge> = fc.integer({ min: 0, max: 3000 }).map((price) => ({ combine: 'first', lines: { always: { order: 1, price: { fixed: { exact: price } } } }, otherwise: { kind: 'notOffered' } }));

const option: fc.Arbitrary<DeliveryOption> = fc
  .record({ order: fc.integer({ min: 0, max: 3 }), kind: fc.constantFrom('parcel' as const, 'localDelivery' as const, 'pickUp' as const), charge: fc.oneof(stepped, untidy, flat, general) })
  .map(({ order, kind, charge }) => ({ order, zone: 'all', on: true, name: 'An option', kind, label: {}, estimate: { min: 1, max: 2 }, charge }));

const rewarded = fc.constantFrom<Reward['on']>({ by: 'all' }, { by: 'kind', kinds: ['parcel'] }, { by: 'list', options: { 'option-0': true } });

const offer: fc.Arbitrary<Offer> = fc
  .record({ target: amount, priority: fc.integer({ min: -3, max: 3 }), covers: fc.boolean(), on: rewarded })
  .map(({ target, priority, covers, on }) => ({
    order: 1,
    name: 'An offer',
    note: '',
    on: true,
    priority,
    goals: { first: { order: 1, measure: { kind: 'countedValue', basis: 'afterDiscountsWithTax' }, targets: { here: { exact: target } }, rewards: { delivery: { order: 1, kind: 'deliveryFree', on, coversOwnDelivery: covers } } } },
  }));

const areaPart: fc.Arbitrary<AreaPart> = fc.oneof(
  fc.constant<AreaPart>({ kind: 'wholeMarket' }),
  fc.constant<AreaPart>({ kind: 'country', country: 'NL' }),
  fc.constantFrom('NL-NH', 'NL-FR').map((region): AreaPart => ({ kind: 'region', region })),
  fc.constantFrom('1799ZA', '1799 zb', '17*', '1*', '17??ZA', '1000..1999', '1700..1799', '1799..1799').map((pattern): AreaPart => ({ kind: 'postcode', country: 'NL', pattern })),
  fc.record({ distance: fc.constantFrom(1, 5, 50), unit: fc.constantFrom('km' as const, 'mi' as const) }).map((size): AreaPart => ({ kind: 'radius', center: { latitude: 53, longitude: 5 }, ...size })),
);

export const randomPlace = fc.record({ country: fc.constantFrom('NL', 'NL', 'NL', 'CA'), postcode: fc.constantFrom('', '1799 ZA', '1799-zb', '1712', '2000'), region: fc.constantFrom('NL-NH', 'NL-FR', 'NL-GR'), coordinates: fc.record({ latitude: fc.double({ min: 52.9, max: 53.2, noNaN: true }), longitude: fc.constant(5) }) }, { requiredKeys: ['country', 'postcode'] });

/** Valid policies of one market and zone with up to three options and offers. */
export const randomPolicy: fc.Arbitrary<Policy> = fc.record({ options: fc.array(option, { minLength: 1, maxLength: 3 }), offers: fc.array(offer, { minLength: 1, maxLength: 3 }) }).map(({ options, offers }) => ({
  version: 1,
  store: { name: 'A store', baseCurrency: 'EUR', timeZone: 'UTC', origin: { country: 'NL', postcode: '' } },
  markets: { here: { order: 1, name: 'Here', countries: ['NL'], currency: 'EUR', languages: ['en-GB'], tax: { prices: 'withTax', delivery: '21' }, preselect: 'first' } },
  zones: { all: { order: 1, market: 'here', name: 'All', on: true, area: { include: { whole: { kind: 'wholeMarket' } } } } },
  options: Object.fromEntries(options.map((item, index) => [`option-${index}`, item])),
  qualifiers: {},
  offers: Object.fromEntries(offers.map((item, index) => [`offer-${index}`, item])),
  wording: {},
  testCarts: {},
}));

const randomZone = fc.record({ order: fc.integer({ min: 0, max: 2 }), on: fc.boolean(), include: fc.array(areaPart, { minLength: 1, maxLength: 3 }), exclude: fc.array(areaPart, { maxLength: 1 }) });
const keyed = <T>(list: readonly T[]): Record<string, T> => Object.fromEntries(list.map((item, index) => [`part-${index}`, item]));

/** The same with several zones, each with the options. */
export const randomPolicyWithZones: fc.Arbitrary<Policy> = fc.tuple(randomPolicy, fc.array(randomZone, { minLength: 1, maxLength: 4 })).map(([policy, zones]) => ({
  ...policy,
  zones: Object.fromEntries(zones.map(({ order, on, include, exclude }, index) => [`zone-${index}`, { order, on, market: 'here', name: `Zone ${index}`, area: { include: keyed(include), exclude: keyed(exclude) } }])),
  options: Object.fromEntries(zones.flatMap((_, zone) => Object.entries(policy.options).map(([id, item]) => [zone === 0 ? id : `${id}-${zone}`, { ...item, zone: `zone-${zone}` }]))),
}));

/** An ordinary product: counts, needs delivery, charged in the ordinary way. */
export function ordinaryProduct(price: number, change: Partial<Product> = {}): Product {
  return { id: 'ordinary', sku: 'O-1', name: 'Ordinary', prices: { here: price }, weightGrams: 100, sizeMm: null, categories: [], tags: [], needsDelivery: true, countsTowardGoals: true, shipsFree: false, ownDelivery: null, ...change };
}

const side = fc.integer({ min: 5, max: 2000 });

export const randomProduct: fc.Arbitrary<Product> = fc
  .record({ id: fc.string({ minLength: 1, maxLength: 5 }), price: fc.integer({ min: 0, max: 9000 }), needsDelivery: fc.boolean(), countsTowardGoals: fc.boolean(), shipsFree: fc.boolean(), own: fc.option(fc.integer({ min: 0, max: 2000 })), weightGrams: fc.option(fc.integer({ min: 1, max: 5000 })), sizeMm: fc.option(fc.tuple(side, side, side)) })
  .map(({ id, price, own, ...flags }) => ordinaryProduct(price, { id, ...flags, ownDelivery: own === null ? null : { here: own } }));

export const randomCart = fc.array(fc.record({ product: randomProduct, quantity: fc.integer({ min: 1, max: 5 }) }), { maxLength: 5 }).map((lines) => ({ lines }));

export const here = { country: 'NL', postcode: '' };
