import { logGamma } from './gamma.ts';
import type { Running } from './running.ts';

/** A sample as Welch's comparison needs it. */
export interface Sample {
  count: number;
  average: number;
  /** sample standard deviation, n − 1 below */
  deviation: number;
}

/** A sample of which its running figures are known. */
export const sampleOf = ({ count, mean, squares }: Running): Sample => ({
  count,
  average: mean,
  deviation: count > 1 ? Math.sqrt(squares / (count - 1)) : 0,
});

export interface Difference {
  difference: number;
  /** 95 % interval */
  low: number;
  high: number;
  t: number;
  degreesOfFreedom: number;
}

/**
 * The difference of two averages with a 95 % interval, for samples that may scatter differently.
 * Source: B. L. Welch, Biometrika 34 (1947).
 * @returns null when a sample has fewer than two members or nothing scatters
 */
export function welchDifference(a: Sample, b: Sample): Difference | null {
  if (a.count < 2 || b.count < 2) return null;
  const partA = a.deviation ** 2 / a.count;
  const partB = b.deviation ** 2 / b.count;
  const error = Math.sqrt(partA + partB);
  if (error === 0) return null;
  const degreesOfFreedom = (partA + partB) ** 2 / (partA ** 2 / (a.count - 1) + partB ** 2 / (b.count - 1));
  const difference = a.average - b.average;
  const margin = studentQuantile975(degreesOfFreedom) * error;
  return { difference, low: difference - margin, high: difference + margin, t: difference / error, degreesOfFreedom };
}

/**
 * The 97.5 % point of Student's t: the t at which the upper tail is 0.025, by bisection.
 * Source of the tail: Abramowitz and Stegun 26.5.27 with the continued fraction 26.5.8 of the incomplete beta function.
 */
export function studentQuantile975(degreesOfFreedom: number): number {
  let low = 1.9;
  let high = 1000;
  for (let i = 0; i < 200 && high - low > 1e-10; i++) {
    const middle = (low + high) / 2;
    if (upperTail(middle, degreesOfFreedom) > 0.025) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}

function upperTail(t: number, degreesOfFreedom: number): number {
  return incompleteBeta(degreesOfFreedom / (degreesOfFreedom + t * t), degreesOfFreedom / 2, 0.5) / 2;
}

function incompleteBeta(x: number, a: number, b: number): number {
  if (x > (a + 1) / (a + b + 2)) return 1 - incompleteBeta(1 - x, b, a);
  const front = Math.exp(logGamma(a + b) - logGamma(a) - logGamma(b) + a * Math.log(x) + b * Math.log(1 - x)) / a;
  let c = 1;
  let d = 1 / Math.max(1e-300, 1 - ((a + b) * x) / (a + 1));
  let fraction = d;
  for (let m = 1; m < 500; m++) {
    const even = (m * (b - m) * x) / ((a + 2 * m - 1) * (a + 2 * m));
    d = 1 / (1 + even * d);
    c = 1 + even / c;
    fraction *= c * d;
    const odd = (-(a + m) * (a + b + m) * x) / ((a + 2 * m) * (a + 2 * m + 1));
    d = 1 / (1 + odd * d);
    c = 1 + odd / c;
    fraction *= c * d;
    if (Math.abs(c * d - 1) < 1e-14) break;
  }
  return front * fraction;
}
