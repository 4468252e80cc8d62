import type { CarrierAnswer, CarrierRequest } from '../../contract/shapes/carrier.ts';
import { continents } from '../../core/geography/continent.ts';
import { usualVolumeDivisor, volumeWeight } from '../../core/cart/charge-measure.ts';

const bands = [
  { first: 480, further: 95 },
  { first: 990, further: 160 },
  { first: 2150, further: 420 },
] as const;

const continentOf = (country: string) => continents.find(({ countries }) => countries.includes(country))?.id;

/**
 * What the simulated carrier asks, in euro: a price for the first kilogram of chargeable weight and one for each further
 * started one, by whether a parcel stays in its country, on its continent, or goes farther. Names that begin with “gale” are
 * the dear, fast ones.
 */
export function simulatedQuote({ carrier, from, to, weightGrams, volumeCm3 }: CarrierRequest): CarrierAnswer {
  const abroad = continentOf(from.country) === continentOf(to.country) ? 1 : 2;
  const band = bands[from.country === to.country ? 0 : abroad];
  const kilograms = Math.max(1, Math.ceil(Math.max(weightGrams, volumeWeight(volumeCm3, usualVolumeDivisor)) / 1000));
  const amount = band.first + band.further * (kilograms - 1);
  return { amount: carrier.startsWith('gale') ? amount * 2 : amount, currency: 'EUR' };
}
