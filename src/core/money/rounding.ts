import { roundRatio } from './ratio.ts';

/**
 * `a × b ÷ divisor`, rounded once, half away from zero (2-domain §1). Exact: the product is formed in
 * arbitrary precision. All arguments are integers; the divisor is positive.
 *
 * @throws RangeError when an argument is no safe integer, the divisor is not positive or the result is too large
 */
export function multiplyDivide(a: number, b: number, divisor: number): number {
  if (!Number.isSafeInteger(a) || !Number.isSafeInteger(b) || !Number.isSafeInteger(divisor) || divisor <= 0) {
    throw new RangeError('multiplyDivide takes whole numbers and a positive divisor');
  }
  // The same in plain numbers where they are exact, which is nearly always and much faster.
  const size = 2 * Math.abs(a * b) + divisor;
  if (Number.isSafeInteger(size)) return Math.sign(a * b) * Math.floor(size / (2 * divisor)) + 0;
  return roundRatio({ numerator: BigInt(a) * BigInt(b), denominator: BigInt(divisor) });
}

/**
 * An amount rounded to a currency's cash increment, half away from zero; unchanged without one. Minor units.
 */
export function toCashIncrement(minor: number, increment: number | undefined): number {
  if (!increment || minor % increment === 0) return minor;
  return multiplyDivide(minor, 1, increment) * increment;
}

/**
 * No amount that a policy states, and nothing that is computed from one, is more than this (minor units): sums of all lines
 * of a cart, and taxes of up to 999 % on them, then stay whole numbers that are exact. What would be more is taken as this.
 */
export const largestAmount = 1_000_000_000_000;

/** An amount kept within what is computed. @param amount may be too large to be exact */
export const atMostLargest = (amount: number): number => (amount < largestAmount ? amount : largestAmount);

/** A percentage as an exact fraction of whole numbers. */
export interface PercentFraction {
  numerator: number;
  denominator: number;
}

/** A decimal percentage string as an exact fraction: "5.5" is 55 / 1000. @throws RangeError when malformed */
export function percentAsFraction(percent: string): PercentFraction {
  const match = /^(0|[1-9][0-9]{0,2})(?:\.([0-9]{1,4}))?$/.exec(percent);
  if (!match) throw new RangeError(`"${percent}" is not a percentage such as 21 or 5.5`);
  const decimals = match[2] ?? '';
  return { numerator: Number(match[1] + decimals), denominator: 100 * 10 ** decimals.length };
}

/** A percentage as it is written: 55 / 1000 is "5.5". */
export function percentInWords({ numerator, denominator }: PercentFraction): string {
  const decimals = String(denominator).length - 3;
  const digits = String(numerator).padStart(decimals + 1, '0');
  const whole = digits.slice(0, digits.length - decimals);
  const rest = digits.slice(digits.length - decimals).replace(/0+$/, '');
  return rest === '' ? whole : `${whole}.${rest}`;
}

/**
 * The tax contained in an amount that includes it, in minor units: amount × rate ÷ (1 + rate), rounded once.
 */
export function includedTax(amount: number, { numerator, denominator }: PercentFraction): number {
  return multiplyDivide(amount, numerator, numerator + denominator);
}

/** A percentage of an amount, such as the tax that comes on top of one without it, rounded once. Minor units. */
export function percentOf(amount: number, { numerator, denominator }: PercentFraction): number {
  return multiplyDivide(amount, numerator, denominator);
}
