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
  assumptions: { nlbe: { margin: '55', reach: '30', near: '50', far: '20', spread: '30', secondReward: 250 } },
};
