import { goodsValueOf } from '../cart/line-values.ts';
import type { Facts } from '../conditions/asked.ts';
import { atMostLargest, largestAmount, multiplyDivide, percentOf } from '../money/rounding.ts';
import type { Charge, Quotes } from '../policy/types.ts';
import { chargeMeasure } from './charge-measure.ts';
import type { CompiledCharge, CompiledChargeLine, CompiledPrice } from './compile-charge.ts';

/** What a charge is computed from. */
export interface ChargeInput {
  facts: Facts;
  /** what carriers quote, minor units; none known: every carrier is silent */
  quotes: Quotes | undefined;
}

/**
 * Notes the decisions on the way to a price, so that two amounts that are priced in the same way can be told from two
 * that are not. Null in ordinary evaluations.
 */
export type DecisionPath = number[] | null;

export function lineApplies(line: CompiledChargeLine, charge: CompiledCharge, { facts }: ChargeInput): boolean {
  if (line.range) {
    const value = chargeMeasure(line.range.measure, facts.cart.measures, charge.volumeDivisor);
    if (value < line.range.from || value >= line.range.to) return false;
  }
  return line.when === null || line.when.holds(facts);
}

/**
 * A line's price in minor units (2-domain §4): fixed + amount × (measure − start) ÷ per, by started units or in
 * proportion (rounded once, half away from zero); or a percentage of a goods value; both kept between minimum and
 * maximum; or a carrier's quote with its margins, else its fallback.
 *
 * @returns null when a carrier gives no quote and there is no fallback: the line does not apply then
 */
function priceOfLine(
  { price }: CompiledChargeLine,
  charge: CompiledCharge,
  input: ChargeInput,
  path: DecisionPath = null,
): number | null {
  switch (price.kind) {
    case 'perUnit':
      return bounded(price, price.fixed + (price.perUnit ? perUnitPart(price.perUnit, charge, input) : 0), path);
    case 'percent':
      return bounded(
        price,
        percentOf(goodsValueOf(input.facts.cart, price.basis, { chargeable: true }), price.percent),
        path,
      );
    case 'quoted':
      return priceOfQuote(price, input.quotes?.[price.carrier] ?? null);
  }
}

/** A carrier's quote with its margins, the percentage rounded once; without one the fallback, or null for none. Minor units. */
export function priceOfQuote(
  { marginPercent: { numerator, denominator }, marginFixed, fallback }: Extract<CompiledPrice, { kind: 'quoted' }>,
  quote: number | null,
): number | null {
  return quote === null
    ? fallback
    : atMostLargest(multiplyDivide(atMostLargest(quote), numerator + denominator, denominator) + marginFixed);
}

function perUnitPart(
  { measure, from, amount, per, started }: NonNullable<Extract<CompiledPrice, { kind: 'perUnit' }>['perUnit']>,
  charge: CompiledCharge,
  { facts }: ChargeInput,
): number {
  const beyond = Math.max(0, chargeMeasure(measure, facts.cart.measures, charge.volumeDivisor) - from);
  if ((amount * beyond) / per >= largestAmount) return largestAmount;
  return started ? amount * Math.ceil(beyond / per) : multiplyDivide(amount, beyond, per);
}

function bounded({ min, max }: { min: number; max: number }, price: number, path: DecisionPath): number {
  path?.push(price >= max ? 2 : price <= min ? 0 : 1);
  return atMostLargest(Math.min(max, Math.max(min, price)));
}

/** The lines that take part in a charge, with their prices: the first that applies, or all that do. */
export function linesOfCharge(
  charge: CompiledCharge,
  input: ChargeInput,
): { line: CompiledChargeLine; price: number }[] {
  const found: { line: CompiledChargeLine; price: number }[] = [];
  for (const line of charge.lines) {
    if (!lineApplies(line, charge, input)) continue;
    const price = priceOfLine(line, charge, input);
    if (price === null) continue;
    found.push({ line, price });
    if (charge.combine === 'first') break;
  }
  return found;
}

/** The charge in minor units, handling not yet added; null when the option is not offered. */
export function priceOfCharge(charge: CompiledCharge, input: ChargeInput, path: DecisionPath = null): number | null {
  let price: number | null = null;
  let decides = -1;
  for (let index = 0; index < charge.lines.length; index++) {
    const line = charge.lines[index]!;
    if (!lineApplies(line, charge, input)) continue;
    const next = priceOfLine(line, charge, input, path);
    if (next === null) continue;
    path?.push(index);
    if (charge.combine === 'first') return next;
    const combined: number = price === null ? next : combine(charge.combine, price, next);
    if (combined !== price) decides = index;
    price = combined;
  }
  if (charge.combine !== 'sum') path?.push(decides);
  return price ?? charge.otherwise;
}

function combine(how: Exclude<Charge['combine'], 'first'>, price: number, next: number): number {
  switch (how) {
    case 'sum':
      return atMostLargest(price + next);
    case 'highest':
      return Math.max(price, next);
    case 'lowest':
      return Math.min(price, next);
  }
}

/** A charge with its handling: a fixed amount, or a percentage of the charge rounded once. */
export function withHandling({ handling }: CompiledCharge, price: number): number {
  if (handling === null) return price;
  return atMostLargest(price + ('amount' in handling ? handling.amount : percentOf(price, handling.percent)));
}
