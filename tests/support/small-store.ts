import type { Charge, DeliveryOption, Policy, Texts } from '../../src/core/policy/types.ts';

const flat = (price: number): Charge => ({
  combine: 'first',
  lines: { always: { order: 1, price: { fixed: { exact: price } } } },
  otherwise: { kind: 'notOffered' },
});

/** Contiguous steps of goods value: each pair is [from, price], the last one open. */
const stepped = (...steps: [from: number, price: number][]): Charge => ({
  combine: 'first',
  lines: Object.fromEntries(
    steps.map(([from, price], index) => {
      const next = steps[index + 1];
      return [
        `step-${index + 1}`,
        {
          order: index + 1,
          over: { measure: 'goodsValue', from: { exact: from }, to: next ? { exact: next[0] } : null },
          price: { fixed: { exact: price } },
        },
      ];
    }),
  ),
  otherwise: { kind: 'notOffered' },
});

const parcel = (
  order: number,
  zone: string,
  name: string,
  label: Texts,
  { days, charge }: { days: [number, number]; charge: Charge },
): DeliveryOption => ({
  order,
  zone,
  on: true,
  name,
  kind: 'parcel',
  label,
  estimate: { min: days[0], max: days[1] },
  charge,
});

/** A store of two markets and one offer, small enough to know by heart. Goods are those of the demo store. */
export const smallStore: Policy = {
  version: 4,
  store: {
    name: 'Gustmoor Kites',
    baseCurrency: 'EUR',
    timeZone: 'Europe/Amsterdam',
    origin: { country: 'NL', postcode: '1799 ZA' },
  },
  markets: {
    nlbe: {
      order: 1,
      name: 'Netherlands & Belgium',
      countries: ['NL', 'BE'],
      currency: 'EUR',
      languages: ['nl-NL', 'fr-BE'],
      tax: { prices: 'withTax', delivery: '21', classes: { standard: '21', reduced: '9' } },
      preselect: 'first',
    },
    uk: {
      order: 2,
      name: 'United Kingdom',
      countries: ['GB'],
      currency: 'GBP',
      languages: ['en-GB'],
      tax: { prices: 'withTax', delivery: '20', classes: { standard: '20', reduced: '0' } },
      preselect: 'cheapest',
    },
  },
  zones: {
    'nlbe-all': {
      order: 1,
      market: 'nlbe',
      name: 'All of the Netherlands and Belgium',
      on: true,
      area: { include: { whole: { kind: 'wholeMarket' } } },
    },
    'uk-all': {
      order: 2,
      market: 'uk',
      name: 'All of the United Kingdom',
      on: true,
      area: { include: { whole: { kind: 'wholeMarket' } } },
    },
  },
  options: {
    'nlbe-door': parcel(
      1,
      'nlbe-all',
      'Parcel to the door',
      { 'nl-NL': 'Pakket aan huis', 'fr-BE': 'Colis à domicile', 'en-GB': 'Parcel to your door' },
      { days: [1, 2], charge: stepped([0, 695], [4000, 595], [12000, 395]) },
    ),
    'nlbe-parcel-shop': parcel(
      2,
      'nlbe-all',
      'Parcel shop',
      { 'nl-NL': 'Afhalen bij een pakketpunt', 'fr-BE': 'Point relais', 'en-GB': 'Parcel shop near you' },
      { days: [2, 3], charge: flat(450) },
    ),
    'uk-tracked': parcel(
      3,
      'uk-all',
      'Tracked parcel',
      { 'en-GB': 'Tracked parcel' },
      { days: [3, 5], charge: stepped([0, 895], [5000, 695]) },
    ),
    'uk-collection': parcel(
      4,
      'uk-all',
      'Collection point',
      { 'en-GB': 'Collection point' },
      { days: [4, 6], charge: flat(495) },
    ),
  },
  qualifiers: {},
  offers: {
    'free-delivery': {
      order: 1,
      name: 'Free delivery',
      note: 'The standing offer. Look at it again before the spring season.',
      on: true,
      priority: 10,
      combines: false,
      unlock: { by: 'amount' },
      goals: {
        first: {
          order: 1,
          measure: { kind: 'countedValue', basis: 'afterDiscountsWithTax' },
          targets: { nlbe: { exact: 7500 }, uk: { exact: 7000 } },
          then: 'replace',
          rewards: {
            delivery: {
              order: 1,
              kind: 'deliveryFree',
              on: { by: 'kind', kinds: ['parcel'] },
              coversOwnDelivery: false,
            },
          },
        },
      },
    },
  },
  wording: {
    'free-delivery': {
      progress: {
        everyPlace: {
          'en-GB': 'Add {remaining} more for free delivery.',
          'nl-NL': 'Nog {remaining} tot gratis bezorging.',
        },
        cart: {
          'en-GB':
            '{items, plural, one {One item} other {# items}} so far. Add {remaining} more and delivery is free from {goal}.',
          'nl-NL':
            '{items, plural, one {Eén artikel} other {# artikelen}} tot nu toe. Nog {remaining} en bezorging is gratis vanaf {goal}.',
        },
      },
      reached: {
        everyPlace: {
          'en-GB': 'Your delivery is free.',
          'nl-NL': 'Uw bezorging is gratis.',
        },
      },
    },
  },
  testCarts: {
    'beach-day': {
      order: 1,
      name: 'Beach day',
      pinned: true,
      language: 'nl-NL',
      destination: { country: 'NL', postcode: '1799 ZA' },
      lines: {
        'tidewing-16': { order: 1, quantity: 1 },
        'line-50': { order: 2, quantity: 1 },
        winder: { order: 3, quantity: 2 },
      },
    },
    'first-stunt-kite': {
      order: 2,
      name: 'First stunt kite',
      pinned: true,
      language: 'nl-NL',
      destination: { country: 'BE', postcode: '8499' },
      lines: { 'petrel-stunt': { order: 1, quantity: 1 }, 'repair-tape': { order: 2, quantity: 1 } },
    },
    'gift-and-spares': {
      order: 3,
      name: 'Gift card and spares',
      pinned: true,
      language: 'en-GB',
      destination: { country: 'GB', postcode: 'ZZ1 1ZZ' },
      lines: {
        'gift-card-25': { order: 1, quantity: 1 },
        'gull-delta': { order: 2, quantity: 1 },
        'reel-small': { order: 3, quantity: 2 },
        'swivel-pack': { order: 4, quantity: 3 },
      },
    },
  },
};
