import { normalCdf, normalQuantile } from './normal.ts';

export interface Interval {
  low: number;
  high: number;
}

/**
 * The bias-corrected and accelerated interval of a statistic from its bootstrap replications and what it is without each member.
 * Source: B. Efron and R. Tibshirani, An Introduction to the Bootstrap (1993), 14.3, formulas 14.9 to 14.15.
 *
 * @param value of the whole sample @param replications of it from samples drawn anew; in any order
 * @param without the statistic without each member in turn (or each group of members of about the same size)
 * @param error how often what is true may lie outside
 */
export function bcaInterval(
  value: number,
  replications: readonly number[],
  without: readonly number[],
  error = 0.05,
): Interval {
  const sorted = Float64Array.from(replications).sort();
  const below = sorted.filter((one) => one < value).length + sorted.filter((one) => one === value).length / 2;
  const bias = normalQuantile(Math.min(1 - 1e-9, Math.max(1e-9, below / sorted.length)));
  const acceleration = accelerationOf(without);
  const at = (share: number): number => {
    const z = bias + normalQuantile(share);
    return quantileOf(sorted, normalCdf(bias + z / (1 - acceleration * z)));
  };
  return { low: at(error / 2), high: at(1 - error / 2) };
}

/** How fast the scatter of a statistic changes with what it is of. Source: the same, 14.15 */
export function accelerationOf(without: readonly number[]): number {
  const mean = without.reduce((sum, one) => sum + one, 0) / without.length;
  let [squares, cubes] = [0, 0];
  for (const one of without) {
    squares += (mean - one) ** 2;
    cubes += (mean - one) ** 3;
  }
  return squares === 0 ? 0 : cubes / (6 * squares ** 1.5);
}

/** Between two replications in proportion. */
function quantileOf(sorted: Float64Array, share: number): number {
  const at = share * (sorted.length - 1);
  const low = Math.min(sorted.length - 1, Math.max(0, Math.floor(at)));
  const high = Math.min(sorted.length - 1, low + 1);
  return sorted[low]! + (sorted[high]! - sorted[low]!) * (at - low);
}
