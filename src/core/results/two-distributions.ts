import type { OrderColumns } from '../orders/columns.ts';
import { niceStep } from '../orders/nice-step.ts';
import type { Window } from './matched-weeks.ts';
import { placesWithin } from './window-figures.ts';

/** Order values before and after over one another. */
export interface TwoDistributions {
  /** width of a band, minor units */
  band: number;
  /** share of the orders of each window in each band, from 0 up */
  before: number[];
  after: number[];
  /** share beyond the last band */
  beyond: [number, number];
}

/** No more bands than a picture can show, and nearly all orders within them. */
const mostBands = 60;
const nearlyAll = 0.985;

/**
 * How order values of two windows are distributed. Bands are half as wide as the rule of Freedman and Diaconis (see
 * orders/summary.ts) says for the smaller window: it suits one peak, and blurs several.
 *
 * @returns null where a window has no orders
 */
export function twoDistributions(columns: OrderColumns, before: Window, after: Window): TwoDistributions | null {
  const windows = [before, after].map((window) => valuesWithin(columns, window)) as [Float64Array, Float64Array];
  const [was, is] = windows;
  if (was.length === 0 || is.length === 0) return null;
  const smaller = was.length < is.length ? was : is;
  const end = Math.max(...windows.map((values) => atShare(values, nearlyAll))) * 1.04;
  const rule = (2 * (atShare(smaller, 0.75) - atShare(smaller, 0.25))) / Math.cbrt(smaller.length);
  const band = Math.max(niceStep(Math.max(1, end / mostBands)), niceStep(Math.max(1, rule / 2)));
  const bands = Math.max(1, Math.ceil(end / band));
  const shares = windows.map((values) => sharesOf(values, band, bands)) as [number[], number[]];
  const beyond = windows.map((values) => values.filter((value) => value >= bands * band).length / values.length);
  return { band, before: shares[0], after: shares[1], beyond: beyond as [number, number] };
}

/** Ascending. */
function valuesWithin(columns: OrderColumns, window: Window): Float64Array {
  const places = placesWithin(columns, window);
  const values = new Float64Array(places.length);
  for (let index = 0; index < places.length; index++) values[index] = columns.goods[places[index]!]!;
  return values.sort();
}

/** The smallest value that at least a share of the values do not exceed. */
const atShare = (ascending: Float64Array, share: number): number =>
  ascending[Math.min(ascending.length - 1, Math.max(0, Math.ceil(share * ascending.length) - 1))]!;

function sharesOf(values: Float64Array, band: number, bands: number): number[] {
  const counts = new Array<number>(bands).fill(0);
  for (const value of values) {
    const place = Math.floor(value / band);
    if (place < bands) counts[place]!++;
  }
  return counts.map((count) => count / values.length);
}
