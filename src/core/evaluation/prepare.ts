import { measureCart, type MeasuredCart } from '../cart/measures.ts';
import { ratesAt } from '../markets/terms.ts';
import { findPlace, type PlaceFound } from './find-place.ts';
import { normalPostcode } from '../places/postcode.ts';
import type { Quotes } from '../policy/types.ts';
import type { CompiledPolicy } from './compile.ts';
import { zoneContext, type ZoneContext } from './context.ts';
import type { EvaluationInput } from './evaluation.ts';

/** Who buys what and where it goes, found and measured once for everything that is asked about them. */
export interface PreparedCase {
  input: EvaluationInput;
  place: PlaceFound;
  /** null: no market sells there */
  cart: MeasuredCart | null;
  /** where they stand toward the zone's offers; null: no zone covers the destination */
  context: ZoneContext | null;
}

/** Finds market and zone, measures the cart, and asks where it stands toward each offer. Prices are not worked out. */
export function prepare(compiled: CompiledPolicy, input: EvaluationInput): PreparedCase {
  const { destination } = input;
  const postcode = destination.postcode === '' ? '' : normalPostcode(destination.postcode);
  const place = findPlace(compiled, destination, postcode, input.market);
  if (!place.market) return { input, place, cart: null, context: null };
  const { terms } = place.market;
  const cart = measureCart(input.cart, terms, ratesAt(terms, destination.region), destination);
  return { input, place, cart, context: place.found ? zoneContext(place.zone, cart, postcode, input) : null };
}

/** The same with other quotes, on which nothing rests that has been prepared. */
export const withQuotes = ({ input, context, ...found }: PreparedCase, quotes: Quotes | undefined): PreparedCase => ({
  ...found,
  input: { ...input, ...(quotes ? { quotes } : {}) },
  context: context && { ...context, quotes },
});
