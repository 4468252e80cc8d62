import { currentVersion } from '../../src/core/policy/version.ts';
import type { Policy } from '../../src/core/policy/types.ts';
import { calendars } from './calendars.ts';
import { markets, rates } from './markets.ts';
import { notices } from './notices.ts';
import { guarantees } from './guarantees.ts';
import { experiments } from './experiments.ts';
import { offers } from './offers.ts';
import { options } from './options.ts';
import { places } from './places.ts';
import { qualifiers } from './qualifiers.ts';
import { surfaces } from './surfaces.ts';
import { shoppers } from './shoppers.ts';
import { testCarts } from './test-carts.ts';
import { look, textNotes, wording } from './wording.ts';
import { zones } from './zones.ts';

/** Gustmoor Kites, an invented kite shop on the Dutch coast. Everything that a policy can say is said in it somewhere. */
export const demoPolicy: Policy = {
  version: currentVersion,
  store: {
    name: 'Gustmoor Kites',
    baseCurrency: 'EUR',
    timeZone: 'Europe/Amsterdam',
    sourceLanguage: 'en-GB',
    origin: { country: 'NL', postcode: '1799 ZA' },
    packing: { packaging: 150, most: 20_000 },
  },
  rates,
  calendars,
  markets,
  zones,
  places,
  options,
  qualifiers,
  offers,
  notices,
  experiments,
  wording,
  textNotes,
  look,
  testCarts,
  guarantees,
  surfaces,
  shoppers,
  assumptions: {
    nlbe: {
      margin: '55',
      reach: '30',
      near: '50',
      far: '20',
      spread: '30',
      secondReward: 250,
      lost: { likely: '6', low: '3', high: '8' },
      won: { likely: '2', low: '0', high: '4' },
    },
    ch: {
      margin: '50',
      reach: '25',
      near: '60',
      far: '30',
      spread: '30',
      secondReward: 250,
      lost: { likely: '4', low: '2', high: '6' },
      won: { likely: '2', low: '0', high: '4' },
    },
    dk: {
      margin: '48',
      reach: '25',
      near: '40',
      far: '10',
      spread: '40',
      secondReward: 1900,
      lost: { likely: '5', low: '3', high: '7' },
      won: { likely: '1', low: '0', high: '3' },
    },
  },
};
