import type { Running } from './running.ts';

/** An interval that holds what is true at every look at once, however often one looks. */
export interface AlwaysValid {
  difference: number;
  low: number;
  high: number;
}

/** Fewer members than that in a group, and nothing is said: what the interval rests on holds for many. */
const fewest = 100;

/**
 * The difference of two averages (second less first) with an interval that is valid at every look: an asymptotic confidence
 * sequence of each average, joined by their widths.
 * Source: I. Waudby-Smith, D. Arbour, R. Sinha, E. Kennedy and A. Ramdas, Time-uniform central limit theory and asymptotic
 * confidence sequences, Annals of Statistics 52 (2024), theorem 2.2.
 *
 * @param error how often it may not hold at some look
 * @param tightest members together at which it is to be tightest
 * @returns null as long as a group has fewer than a hundred members
 */
export function alwaysValidDifference(
  first: Running,
  second: Running,
  { error = 0.05, tightest }: { error?: number; tightest: number },
): AlwaysValid | null {
  if (first.count < fewest || second.count < fewest) return null;
  const all = first.count + second.count;
  // The difference as an average over all members, each weighed by how rare its group is.
  const spread = all * (first.squares / first.count ** 2 + second.squares / second.count ** 2);
  const half = Math.sqrt(spread) * alwaysValidHalf(all, error, tightest);
  const difference = second.mean - first.mean;
  return { difference, low: difference - half, high: difference + half };
}

/**
 * The half width at a count, for a deviation of 1.
 *
 * @param tightest count at which it is to be about tightest
 */
export function alwaysValidHalf(count: number, error: number, tightest: number): number {
  // The square of the mixture’s parameter. Source: the same, appendix B.2
  const squared = (-2 * Math.log(error) + Math.log(-2 * Math.log(error) + 1)) / tightest;
  const grown = count * squared + 1;
  return Math.sqrt(((2 * grown) / (count ** 2 * squared)) * Math.log(Math.sqrt(grown) / error));
}
