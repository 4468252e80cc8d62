/** An exact fraction; the denominator is positive. */
export interface Ratio {
  numerator: bigint;
  denominator: bigint;
}

type RoundingDirection = 'nearest' | 'up' | 'down';

/** A decimal string such as "0.8571" as an exact fraction. @throws RangeError when it is not a plain decimal number */
export function ratioOf(decimal: string): Ratio {
  const match = /^(\d{1,12})(?:\.(\d{1,12}))?$/.exec(decimal);
  if (!match) throw new RangeError(`"${decimal}" is not a decimal number such as 0.8571`);
  const decimals = match[2] ?? '';
  return { numerator: BigInt(match[1] + decimals), denominator: 10n ** BigInt(decimals.length) };
}

export function multiply(...factors: Ratio[]): Ratio {
  return factors.reduce(
    (product, factor) => ({
      numerator: product.numerator * factor.numerator,
      denominator: product.denominator * factor.denominator,
    }),
    {
      numerator: 1n,
      denominator: 1n,
    },
  );
}

/** @throws RangeError for zero */
export function inverse({ numerator, denominator }: Ratio): Ratio {
  if (numerator === 0n) throw new RangeError('a rate must not be zero');
  return numerator < 0n
    ? { numerator: -denominator, denominator: -numerator }
    : { numerator: denominator, denominator: numerator };
}

/**
 * A fraction rounded once to a whole number: nearest is half away from zero, up and down are away from and toward zero.
 * @throws RangeError when no number holds the result exactly
 */
export function roundRatio({ numerator, denominator }: Ratio, direction: RoundingDirection = 'nearest'): number {
  const size = numerator < 0n ? -numerator : numerator;
  const whole = {
    nearest: (2n * size + denominator) / (2n * denominator),
    up: (size + denominator - 1n) / denominator,
    down: size / denominator,
  }[direction];
  const result = Number(numerator < 0n ? -whole : whole);
  if (!Number.isSafeInteger(result)) throw new RangeError('the amount is too large');
  return result;
}
