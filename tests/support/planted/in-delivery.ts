import { tree } from '../conditions.ts';
import type { PlantedFault } from './planted-fault.ts';
import { country, items, lines, orders, productOf, spans, spansOf, steps, yesNo } from './pieces.ts';

/** Faults of the kinds that stand at Delivery. */
export const inDelivery: PlantedFault[] = [
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
    kind: 'optionDates',
    plant: ({ options }) => (options['uk-tracked']!.schedule = { readIn: 'store', until: '2025-01-01T00:00' }),
    says: '“Tracked parcel” is on, but it ended on',
  },
  {
    kind: 'nothingToChoose',
    plant: ({ options }) => {
      options['jp-air']!.charge.lines = {
        light: { order: 1, over: { measure: 'weight', from: 0, to: 300 }, price: { fixed: { exact: 1200 } } },
      };
    },
    says: 'a guest who buys a single',
  },
  {
    kind: 'nothingToChoose',
    plant: ({ options }) => {
      for (const id of ['uk-tracked', 'uk-collection'])
        options[id]!.charge.lines = {
          few: { order: 1, over: { measure: 'items', from: 0, to: 8 }, price: { fixed: { exact: 900 } } },
        };
    },
    says: 'a guest who buys 10 of',
  },
  {
    kind: 'nothingToChoose',
    plant: ({ options }) => (options['us-far-economy']!.when = tree('all', yesNo('shopper.signedIn', true))),
    says: 'a guest who buys a single',
  },
  {
    kind: 'stepGap',
    plant: ({ options }) => (options['uk-tracked']!.charge = spans([0, 4999, 895], [5000, null, 395])),
    says: 'For exactly £49.99 of goods value “Tracked parcel” has no price: line 1 ends and line 2 has not begun.',
  },
  {
    kind: 'stepGap',
    plant: ({ options }) =>
      (options['nlbe-door']!.charge = spans([0, 4000, 695], [5000, 12000, 595], [12000, null, 395])),
    says: 'From €40.00 to below €50.00 of goods value',
  },
  {
    kind: 'stepGap',
    plant: ({ options }) =>
      (options['uk-collection']!.charge = spansOf('weight', [0, 1999, 495], [2000, 10_000, 595], [10_000, null, 695])),
    says: 'For exactly 1999 g of weight “',
  },
  {
    kind: 'stepsOverlap',
    plant: ({ options }) => (options['uk-tracked']!.charge = spans([0, 5100, 895], [5000, null, 395])),
    says: 'From £50.00 to below £51.00 of goods value lines 1 and 2 of “Tracked parcel” both apply; line 1 decides.',
  },
  {
    kind: 'stepsOverlap',
    plant: ({ options }) =>
      (options['uk-collection']!.charge = spansOf('weight', [0, 3000, 495], [2000, 10_000, 595], [10_000, null, 695])),
    says: 'From 2 kg to below 3 kg of weight lines 1 and 2',
  },
  {
    kind: 'stepsOverlap',
    plant: ({ options }) =>
      (options['uk-collection']!.charge = spansOf('items', [0, 3, 495], [2, 5, 595], [4, null, 695])),
    says: 'lines 2 and 3 of',
  },
  {
    kind: 'shadowedLine',
    plant: ({ options }) =>
      (options['uk-collection']!.charge = lines(
        [tree('all', items('atLeast', 2)), 300],
        [tree('all', items('atMost', 1)), 400],
        [null, 500],
      )),
    says: 'is never taken: lines 1 and 2 above take all its carts',
  },
  {
    kind: 'shadowedLine',
    plant: ({ options }) =>
      (options['uk-collection']!.charge = lines(
        [tree('all', country('oneOf', 'GB')), 300],
        [tree('all', items('atLeast', 5)), 400],
        [null, 500],
      )),
    says: 'is never taken: line 1 above it takes all its carts',
  },
  {
    kind: 'lineNever',
    plant: ({ options }) =>
      (options['uk-collection']!.charge = lines(
        [tree('all', items('atLeast', 5), items('atMost', 4)), 300],
        [null, 500],
      )),
    says: 'Line 1 of “Collection point” applies to no cart',
  },
  {
    kind: 'lineNever',
    plant: ({ options }) => {
      options['uk-collection']!.when = tree('all', items('atMost', 3));
      options['uk-collection']!.charge = spansOf('items', [0, 5, 495], [5, null, 595]);
    },
    says: 'Line 2 of “Collection point” applies to no cart',
  },
  {
    kind: 'lineNever',
    plant: ({ options }) =>
      (options['uk-collection']!.charge = lines([tree('all', country('oneOf', 'FR')), 300], [null, 500])),
    says: 'Line 1 of “Collection point” applies to no cart',
  },
  {
    kind: 'optionNever',
    plant: ({ options }) => (options['uk-collection']!.when = tree('all', country('oneOf', 'FR'))),
    says: 'No cart can get “Collection point”: its condition holds for none.',
  },
  {
    kind: 'optionNever',
    plant: ({ options }) =>
      (options['uk-collection']!.when = tree('all', yesNo('shopper.firstOrder', true), orders('atLeast', 3))),
    says: 'No cart can get “Collection point”: its condition holds for none.',
  },
  {
    kind: 'optionNever',
    plant: ({ options }) => {
      options['uk-collection']!.when = tree('all', items('atMost', 3));
      options['uk-collection']!.charge = spansOf('items', [5, null, 595]);
    },
    says: 'No cart that is charged can get “Collection point”: no line of its charge applies to any.',
  },
  {
    kind: 'optionConditionAlways',
    plant: ({ options }) => (options['uk-collection']!.when = tree('all', country('oneOf', 'GB'))),
    says: 'The condition of “Collection point” holds for every cart',
  },
  {
    kind: 'optionConditionAlways',
    plant: ({ options }) => (options['uk-collection']!.when = tree('any', items('atLeast', 3), items('atMost', 5))),
    says: 'The condition of “Collection point” holds for every cart',
  },
  {
    kind: 'optionConditionAlways',
    plant: ({ options }) => (options['uk-collection']!.charge = lines([tree('all', items('atLeast', 0)), 300])),
    says: 'The condition of line 1 of “Collection point” holds for every cart',
  },
  {
    kind: 'carrierWithoutFallback',
    plant: ({ options }) =>
      delete (options['deat-express']!.charge.lines['line-1']!.price as { fallback?: object }).fallback,
    says: 'When “gale-express” does not answer',
  },
  {
    kind: 'carrierWithoutFallback',
    plant: ({ options }) => {
      for (const id of ['jp-air'])
        options[id]!.charge.lines = { quoted: { order: 1, price: { carrier: 'sky-post', marginPercent: '0' } } };
    },
    says: 'nothing is left to choose for certain',
    also: ['nothingToChoose'],
  },
  {
    kind: 'cheaperApart',
    plant: ({ options }) => {
      for (const id of ['uk-tracked', 'uk-collection']) options[id]!.charge = steps([0, 100], [3000, 900]);
    },
    says: 'ordered apart as',
  },
  {
    kind: 'cheaperApart',
    plant: ({ options }) => (options['jp-air']!.charge = steps([0, 500], [2000, 1500], [9000, 500])),
    says: 'ordered apart as',
  },
  {
    kind: 'cheaperApart',
    plant: ({ options }) => (options['us-far-economy']!.charge = steps([0, 0], [5000, 700], [90_000, 300])),
    says: 'delivery of an order of',
  },
  {
    kind: 'unmeasuredProduct',
    products: (products) => (productOf(products, 'gull-delta').weightGrams = null),
    says: 'has no weight',
  },
  {
    kind: 'pieceOverLimit',
    products: (products) => (productOf(products, 'gull-delta').weightGrams = 40_000),
    says: 'A piece of “Gull delta kite” weighs 40 kg',
  },
  {
    kind: 'pieceOverLimit',
    plant: ({ store }) => (store.packing = { packaging: 100, most: 400 }),
    says: 'it travels alone, over the limit',
  },
  {
    kind: 'pickUpWithoutHours',
    plant: ({ options }) => delete options['nlbe-counter']!.place,
    says: 'names no place',
  },
  {
    kind: 'pickUpWithoutHours',
    plant: ({ places }) => (places!.shop!.hours = {}),
    says: 'has no opening hours',
  },
  {
    kind: 'digitalCharged',
    products: (products) => {
      const [digital] = products.filter(({ needsDelivery }) => !needsDelivery);
      products.push({ ...digital!, id: 'new-gift', sku: 'NEW', name: 'Another gift card', needsDelivery: true });
    },
    says: '“Another gift card” is delivered, but nothing else in',
  },
  {
    kind: 'digitalCharged',
    products: (products) => {
      const [digital] = products.filter(({ needsDelivery }) => !needsDelivery);
      products.push({ ...digital!, id: 'plan', sku: 'PLAN', name: 'A plan', needsDelivery: true, weightGrams: 0 });
    },
    says: '“A plan” is delivered',
  },
  {
    kind: 'digitalCharged',
    products: (products) => {
      const digital = products.filter(({ needsDelivery }) => !needsDelivery);
      const last = digital.at(-1)!;
      products.push({ ...last, id: 'sent', sku: 'SENT', name: 'Sent by mistake', needsDelivery: true });
    },
    says: '“Sent by mistake” is delivered',
  },
  {
    kind: 'optionDates',
    plant: ({ options }) =>
      (options['jp-air']!.schedule = { readIn: 'store', from: '2025-01-01T00:00', until: '2025-06-01T00:00' }),
    says: 'is on, but it ended on',
    also: ['nothingToChoose'],
  },
  {
    kind: 'optionDates',
    plant: ({ options }) => (options['ch-economy']!.schedule = { readIn: 'market', until: '2026-02-01T00:00' }),
    says: 'is on, but it ended on',
  },
];
