import { inverse, multiply, ratioOf, roundRatio, type Ratio } from './ratio.ts';

/**
 * One side of a conversion: 1 unit of the base currency is `rate` units of this one, as a decimal string kept as
 * given; "1" for the base itself. `exponent` is the number of decimals of its minor unit.
 */
export interface ConversionSide {
  rate: string;
  exponent: number;
}

const powerOfTen = (exponent: number): Ratio => ({ numerator: 10n ** BigInt(exponent), denominator: 1n });

/** The exact value of an amount of one currency in minor units of another, by way of the base and not yet rounded. */
export function exactConversion(minor: number, from: ConversionSide, to: ConversionSide): Ratio {
  const major = multiply({ numerator: BigInt(minor), denominator: 1n }, inverse(powerOfTen(from.exponent)));
  return multiply(major, inverse(ratioOf(from.rate)), ratioOf(to.rate), powerOfTen(to.exponent));
}

/**
 * Converts an amount, rounded once at the end, half away from zero. No rate is ever turned into a rounded inverse one.
 *
 * Source: the rules are those of Council Regulation (EC) No 1103/97, Articles 4 and 5.
 * @param minor minor units of `from` @returns minor units of `to`
 */
export function convertAmount(minor: number, from: ConversionSide, to: ConversionSide): number {
  return roundRatio(exactConversion(minor, from, to));
}
