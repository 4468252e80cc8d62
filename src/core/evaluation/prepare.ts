import { measureCart, type MeasuredCart } from '../cart/measures.ts';
import { taxRatesAt } from '../markets/terms.ts';
import { findZone, type ZoneFound } from './find-zone.ts';
import { locate } from '../geography/postcode-regions/region-of-postcode.ts';
import type { Quotes } from '../policy/types.ts';
import type { CompiledPolicy } from './compile.ts';
import { zoneContext, type ZoneContext } from './context.ts';
import type { EvaluationInput } from './evaluation.ts';

/** Who buys what and where it goes, found and measured once for everything that is asked about them. */
export interface PreparedCase {
  /** its destination with the region that its postcode tells */
  input: EvaluationInput;
  /** whether it does */
  regionByPostcode: boolean;
  found: ZoneFound;
  /** null: no market sells there */
  cart: MeasuredCart | null;
  /** where they stand toward the zone's offers; null: no zone covers the destination */
  context: ZoneContext | null;
}

/** Finds market and zone, measures the cart, and asks where it stands toward each offer. Prices are not worked out. */
export function prepare(compiled: CompiledPolicy, given: EvaluationInput): PreparedCase {
  const { destination, postcode } = locate(given.destination);
  const regionByPostcode = destination !== given.destination;
  const input = regionByPostcode ? { ...given, destination } : given;
  const found = findZone(compiled, destination, postcode, input.market);
  if (!found.market) return { input, regionByPostcode, found, cart: null, context: null };
  const { terms } = found.market;
  const cart = measureCart(input.cart, terms, taxRatesAt(terms, destination.region), destination);
  const context = found.found ? zoneContext(found.zone, cart, postcode, input) : null;
  return { input, regionByPostcode, found, cart, context };
}

/** The same with other quotes, on which nothing rests that has been prepared. */
export function withQuotes(prepared: PreparedCase, quotes: Quotes | undefined): PreparedCase {
  const { input, context } = prepared;
  if (quotes === input.quotes) return prepared;
  return {
    ...prepared,
    input: { ...input, ...(quotes ? { quotes } : {}) },
    context: context && { ...context, quotes },
  };
}
