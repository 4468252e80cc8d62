import { logGamma } from './gamma.ts';

/**
 * How probable a chi-square as large or larger is by chance. Source: the incomplete gamma function by its series and its
 * continued fraction, Abramowitz and Stegun 6.5.29 and 6.5.31.
 *
 * @param degrees of freedom, 1 at least
 */
export function chiSquareTail(value: number, degrees: number): number {
  if (value <= 0) return 1;
  const a = degrees / 2;
  const x = value / 2;
  const front = Math.exp(-x + a * Math.log(x) - logGamma(a));
  return x < a + 1 ? 1 - front * series(a, x) : front * fraction(a, x);
}

function series(a: number, x: number): number {
  let term = 1 / a;
  let sum = term;
  for (let n = 1; n < 10_000 && term > sum * 1e-16; n++) {
    term *= x / (a + n);
    sum += term;
  }
  return sum;
}

function fraction(a: number, x: number): number {
  const tiny = 1e-300;
  let b = x + 1 - a;
  let c = 1 / tiny;
  let d = 1 / b;
  let result = d;
  for (let n = 1; n < 10_000; n++) {
    const an = -n * (n - a);
    b += 2;
    d = 1 / nonZero(an * d + b, tiny);
    c = nonZero(b + an / c, tiny);
    result *= d * c;
    if (Math.abs(d * c - 1) < 1e-15) break;
  }
  return result;
}

const nonZero = (value: number, tiny: number): number => (Math.abs(value) < tiny ? tiny : value);

/**
 * Whether arms have about as many members as their shares promise (sample ratio): how probable counts as far off are by chance.
 *
 * @param counts and @param shares of the arms, in the same order; shares add up to what they may
 * @returns 1 where nobody has come yet
 */
export function sampleRatioTail(counts: readonly number[], shares: readonly number[]): number {
  const all = counts.reduce((sum, count) => sum + count, 0);
  const whole = shares.reduce((sum, share) => sum + share, 0);
  if (all === 0 || counts.length < 2) return 1;
  const value = counts.reduce((sum, count, index) => {
    const expected = (all * shares[index]!) / whole;
    return sum + (count - expected) ** 2 / expected;
  }, 0);
  return chiSquareTail(value, counts.length - 1);
}
