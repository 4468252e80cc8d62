import { isRegionCode } from '../geography/country.ts';
import type { Destination } from '../policy/types.ts';

/** Where a past order went. Exports write regions as they like: one that is no code is not taken. */
export const destinationOfOrder = (country: string, region: string, postcode: string): Destination => ({
  country,
  postcode,
  ...(isRegionCode(region) ? { region } : {}),
});
