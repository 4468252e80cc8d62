import { chargeOfPreset } from '../../src/core/charges/presets.ts';
import type { Charge, DeliveryOption, OptionKind, Policy, Texts } from '../../src/core/policy/types.ts';
import { charge, exact, following } from './charges.ts';

const flat = (price: number): Charge => chargeOfPreset({ kind: 'flat', price: exact(price) });

/** Contiguous steps of goods value: each pair is [from, price], the last one open. */
const byValue = (...steps: [from: number, price: number][]): Charge =>
  chargeOfPreset({
    kind: 'stepsByValue',
    steps: steps.map(([from, price]) => ({ from: exact(from), price: exact(price) })),
  });

/** Kept with the store; their bytes are in pictures.json. */
const picture = {
  van: '87832dca00e4bd9a897a48720aff1625bb024c3f4816656679d5f8e5d43bdabb',
  ferry: '3a34cab08491733e56d6d6a66d6359813904a4824dc3aff0e01bace007cc11f4',
};

const days = (min: number, max: number): DeliveryOption['estimate'] => ({
  min,
  max,
  cutOff: '16:00',
  calendar: 'shop',
});

let order = 0;
const option = (
  kind: OptionKind,
  zone: string,
  name: string,
  label: Texts,
  more: Pick<DeliveryOption, 'estimate' | 'charge'> & Partial<DeliveryOption>,
): DeliveryOption => ({
  order: ++order,
  zone,
  on: true,
  name,
  kind,
  label,
  ...more,
});

export const options: Policy['options'] = {
  'nlbe-door': option(
    'parcel',
    'nlbe-all',
    'Parcel to the door',
    { 'nl-NL': 'Pakket aan huis', 'fr-BE': 'Colis à domicile', 'en-GB': 'Parcel to your door' },
    { estimate: days(1, 2), charge: byValue([0, 695], [4000, 595], [12000, 395]) },
  ),
  'nlbe-parcel-shop': option(
    'parcel',
    'nlbe-all',
    'Parcel shop',
    { 'nl-NL': 'Afhalen bij een pakketpunt', 'fr-BE': 'Point relais', 'en-GB': 'Parcel shop near you' },
    { estimate: days(2, 3), charge: flat(450) },
  ),
  'nlbe-counter': option(
    'pickUp',
    'nlbe-all',
    'Taken along at the counter',
    { 'nl-NL': 'Meenemen aan de balie' },
    { estimate: { min: 0, max: 0, unit: 'hours' }, charge: flat(0), channels: ['counter'], place: 'shop' },
  ),
  'nlbe-islands-ferry': option(
    'parcel',
    'nlbe-islands',
    'Parcel by ferry',
    { 'nl-NL': 'Pakket met de veerboot' },
    {
      picture: { image: picture.ferry, alt: { 'nl-NL': 'Een veerboot' } },
      estimate: days(2, 4),
      charge: chargeOfPreset({
        kind: 'stepsByCount',
        measure: 'weight',
        steps: [
          { from: 0, price: exact(895) },
          { from: 2000, price: exact(1195) },
          { from: 10_000, price: exact(1895) },
        ],
      }),
    },
  ),
  'nlbe-islands-air': option(
    'parcel',
    'nlbe-islands',
    'Island flight',
    { 'nl-NL': 'Met het vliegtuigje' },
    {
      estimate: days(1, 1),
      charge: charge('first', [{ price: { carrier: 'island-air', marginPercent: '12.5', marginFixed: exact(150) } }]),
      packing: { packaging: 200, percent: '1.5', roundUpTo: 500, most: 5000 },
    },
  ),
  'nlbe-round-van': option(
    'localDelivery',
    'nlbe-round',
    'Beach round',
    { 'nl-NL': 'Strandronde' },
    {
      estimate: { min: 2, max: 5, unit: 'hours', cutOff: '14:00', calendar: 'beach' },
      charge: charge('first', [
        {
          price: {
            fixed: exact(250),
            perUnit: { measure: 'items', amount: exact(50), per: 1, started: true },
            max: exact(600),
          },
        },
      ]),
      description: { 'nl-NL': 'Wij brengen het naar het strand.' },
      picture: { image: picture.van, alt: { 'nl-NL': 'Een bestelwagen' } },
      questions: {
        telephone: {
          order: 1,
          kind: 'telephone',
          label: { 'nl-NL': 'Telefoon voor de bezorger' },
          required: true,
        },
        spot: {
          order: 2,
          kind: 'choice',
          label: { 'nl-NL': 'Waar vinden wij u?' },
          required: true,
          choices: {
            pavilion: { order: 1, label: { 'nl-NL': 'bij het paviljoen' } },
            beach: { order: 2, label: { 'nl-NL': 'op het strand' } },
          },
        },
        note: {
          order: 3,
          kind: 'text',
          label: { 'nl-NL': 'Een bericht voor de bezorger' },
          required: false,
          longest: 120,
        },
      },
      when: {
        of: 'all',
        conditions: {
          light: { order: 1, kind: 'qualifier', qualifier: 'fits-the-van' },
          open: { order: 2, kind: 'qualifier', qualifier: 'beach-hours' },
        },
      },
      tags: ['own'],
      freeLabel: { 'nl-NL': 'Strandronde, gratis' },
      whenUnavailable: { 'nl-NL': 'De strandronde rijdt nu niet.' },
    },
  ),
  'nlbe-round-pick-up': option(
    'pickUp',
    'nlbe-round',
    'Collected at the shop',
    { 'nl-NL': 'Ophalen in de winkel' },
    {
      estimate: { min: 1, max: 1, unit: 'hours', cutOff: '17:00', calendar: 'shop' },
      charge: flat(0),
      tags: ['own'],
      place: 'shop',
    },
  ),
  'nlbe-round-door': option(
    'parcel',
    'nlbe-round',
    'Parcel to the door, close by',
    { 'nl-NL': 'Pakket aan huis' },
    { estimate: days(1, 1), charge: byValue([0, 595], [4000, 495], [12000, 295]) },
  ),

  'deat-door': option(
    'parcel',
    'deat-all',
    'Parcel to the door',
    { 'de-DE': 'Paket nach Hause' },
    {
      estimate: days(2, 3),
      charge: charge('sum', [
        { price: { fixed: exact(590) } },
        { over: { measure: 'longestSide', from: 1200, to: null }, price: { fixed: exact(400) } },
        {
          when: { of: 'all', conditions: { heavy: { order: 1, kind: 'qualifier', qualifier: 'heavy-goods' } } },
          price: { fixed: exact(250) },
        },
      ]),
    },
  ),
  'deat-parcel-shop': option(
    'parcel',
    'deat-all',
    'Parcel shop',
    { 'de-DE': 'Paketshop' },
    { estimate: days(2, 4), charge: flat(490) },
  ),
  'deat-express': option(
    'parcel',
    'deat-all',
    'Express',
    { 'de-DE': 'Express' },
    {
      estimate: days(1, 1),
      charge: charge('first', [
        { price: { carrier: 'gale-express', marginPercent: '10', marginFixed: exact(50), fallback: exact(1490) } },
      ]),
      tags: ['express'],
    },
  ),
  'deat-austria-door': option(
    'parcel',
    'deat-austria',
    'Parcel to the door, Austria',
    { 'de-DE': 'Paket nach Hause' },
    {
      estimate: days(3, 4),
      charge: charge('highest', [
        { price: { fixed: exact(690), perUnit: { measure: 'weight', amount: exact(120), per: 1000, started: true } } },
        { price: { fixed: exact(990), perUnit: { measure: 'volume', amount: exact(15), per: 1000, started: false } } },
      ]),
    },
  ),

  'uk-tracked': option(
    'parcel',
    'uk-all',
    'Tracked parcel',
    { 'en-GB': 'Tracked parcel' },
    { estimate: days(3, 5), charge: byValue([0, 895], [5000, 695]) },
  ),
  'uk-collection': option(
    'parcel',
    'uk-all',
    'Collection point',
    { 'en-GB': 'Collection point' },
    { estimate: days(4, 6), charge: flat(495) },
  ),
  'uk-highlands-parcel': option(
    'parcel',
    'uk-highlands',
    'Highlands parcel',
    { 'en-GB': 'Highlands parcel' },
    {
      estimate: days(5, 8),
      charge: charge(
        'lowest',
        [
          { price: { percent: '18', basis: 'afterDiscountsWithoutTax', min: exact(900) } },
          { price: { fixed: exact(1450) } },
        ],
        { handling: { percent: '5' } },
      ),
    },
  ),
  'uk-highlands-summer': option(
    'parcel',
    'uk-highlands',
    'Summer courier',
    { 'en-GB': 'Summer courier' },
    {
      estimate: days(2, 3),
      charge: flat(1250),
      schedule: { readIn: 'market', from: '2026-06-01T00:00', until: '2026-09-01T00:00' },
      whenUnavailable: { 'en-GB': 'The summer courier rides from June to August.' },
    },
  ),

  'dk-door': option(
    'parcel',
    'dk-all',
    'Parcel to the door',
    { 'da-DK': 'Pakke til døren' },
    {
      estimate: days(2, 3),
      charge: charge('first', [{ over: { measure: 'lines', from: 1, to: 4 }, price: { fixed: following(790, 100) } }], {
        otherwise: { kind: 'price', price: following(990, 500, { round: 'down', less: 100 }) },
      }),
    },
  ),
  'dk-parcel-shop': option(
    'parcel',
    'dk-all',
    'Parcel shop',
    { 'da-DK': 'Pakkeshop' },
    {
      estimate: days(2, 4),
      charge: chargeOfPreset({ kind: 'firstAndFurther', first: exact(3900), further: exact(500) }),
    },
  ),

  'ch-door': option(
    'parcel',
    'ch-all',
    'Parcel to the door',
    { 'de-CH': 'Paket nach Hause', 'fr-CH': 'Colis à domicile' },
    {
      estimate: days(3, 4),
      charge: charge('first', [{ price: { fixed: following(990, 1, { buffer: '2.5', round: 'up' }) } }]),
    },
  ),
  'ch-economy': option(
    'parcel',
    'ch-all',
    'Economy parcel',
    { 'de-CH': 'Sparpaket', 'fr-CH': 'Colis économique' },
    {
      estimate: days(6, 9),
      charge: chargeOfPreset({
        kind: 'baseAndFactor',
        measure: 'weight',
        base: exact(590),
        factor: exact(85),
        per: 1000,
        started: false,
      }),
    },
  ),

  'us-economy': option(
    'parcel',
    'us-all',
    'Economy',
    { 'en-US': 'Economy' },
    {
      estimate: days(8, 12),
      charge: charge('first', [
        {
          price: {
            fixed: exact(795),
            perUnit: { measure: 'weight', amount: exact(120), per: 500, started: true },
            max: exact(4995),
          },
        },
      ]),
    },
  ),
  'us-express': option(
    'parcel',
    'us-all',
    'Insured express',
    { 'en-US': 'Insured express' },
    {
      estimate: days(3, 4),
      charge: charge(
        'first',
        [{ price: { percent: '14', basis: 'afterDiscountsAsShown', min: exact(2495), max: exact(7995) } }],
        { handling: { amount: exact(250) } },
      ),
      tags: ['express'],
    },
  ),
  'us-far-economy': option(
    'parcel',
    'us-far',
    'Economy, far',
    { 'en-US': 'Economy' },
    { estimate: days(10, 18), charge: chargeOfPreset({ kind: 'perItem', each: exact(995) }) },
  ),
  'us-pick-up-warehouse': option(
    'pickUp',
    'us-pick-up',
    'Collected at the warehouse',
    { 'en-US': 'Pick up at the warehouse' },
    { estimate: { min: 4, max: 24, unit: 'hours' }, charge: flat(0), place: 'warehouse' },
  ),
  'us-pick-up-economy': option(
    'parcel',
    'us-pick-up',
    'Economy, close by',
    { 'en-US': 'Economy' },
    {
      estimate: days(5, 7),
      charge: chargeOfPreset({
        kind: 'baseAndFactor',
        measure: 'parcels',
        base: exact(300),
        factor: exact(395),
        per: 1,
        started: true,
      }),
    },
  ),

  'jp-air': option(
    'parcel',
    'jp-all',
    'Air parcel',
    { 'ja-JP': '航空小包' },
    {
      estimate: days(5, 9),
      charge: charge(
        'first',
        [
          {
            price: {
              fixed: exact(1200),
              perUnit: { measure: 'chargeableWeight', amount: exact(300), per: 500, started: true },
            },
          },
        ],
        { volumeDivisor: 6000, handling: { amount: exact(150) } },
      ),
    },
  ),
};
