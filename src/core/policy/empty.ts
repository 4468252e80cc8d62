import type { Policy } from './types.ts';

/** A store in which nothing has been set yet. */
export function emptyPolicy(): Policy {
  return {
    version: 4,
    store: { name: 'New store', baseCurrency: 'EUR', timeZone: 'UTC', origin: { country: 'NL', postcode: '' } },
    markets: {},
    zones: {},
    options: {},
    qualifiers: {},
    offers: {},
    wording: {},
    testCarts: {},
  };
}
