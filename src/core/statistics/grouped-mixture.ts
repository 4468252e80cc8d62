/**
 * A mixture of normal distributions fitted to counts, some of which are known only in sum.
 *
 * Cells are observed in groups: a group of one is an ordinary count; a group of several is known only by its total, which
 * each step of the fit spreads over its cells as the mixture has them. Cells are narrow, so a cell's middle stands for
 * all of it. Source: the EM algorithm for grouped data, A. Dempster, N. Laird and D. Rubin, Journal of the Royal
 * Statistical Society B 39 (1977).
 */
export interface NormalComponent {
  share: number;
  mean: number;
  deviation: number;
}

export interface MixtureFit {
  components: NormalComponent[];
  /** expected count of every cell; they add up to the observed total */
  means: Float64Array;
  logLikelihood: number;
}

export interface Cells {
  middles: ArrayLike<number>;
  widths: ArrayLike<number>;
  /** cells of each group; every cell is in exactly one */
  groups: readonly (readonly number[])[];
}

/** @param totals observed count of each group @param start components to begin from @param steps at most that many */
export function fitGroupedMixture(
  { middles, widths, groups }: Cells,
  totals: ArrayLike<number>,
  start: readonly NormalComponent[],
  steps: number,
): MixtureFit {
  const size = middles.length;
  const order = start.length;
  const share = Float64Array.from(start, (c) => c.share);
  const mean = Float64Array.from(start, (c) => c.mean);
  const deviation = Float64Array.from(start, (c) => c.deviation);
  let all = 0;
  for (let g = 0; g < groups.length; g++) all += totals[g]!;
  const part = Array.from({ length: order }, () => new Float64Array(size));
  const density = new Float64Array(size);
  let logLikelihood = -Infinity;
  for (let step = 0; ; step++) {
    density.fill(0);
    let mass = 0;
    for (let k = 0; k < order; k++) {
      const factor = share[k]! / (deviation[k]! * Math.sqrt(2 * Math.PI));
      for (let i = 0; i < size; i++) {
        const z = (middles[i]! - mean[k]!) / deviation[k]!;
        const value = factor * Math.exp(-0.5 * z * z) * widths[i]!;
        part[k]![i] = value;
        density[i]! += value;
        mass += value;
      }
    }
    let likelihood = 0;
    const sums = new Float64Array(order);
    const firsts = new Float64Array(order);
    const seconds = new Float64Array(order);
    for (let g = 0; g < groups.length; g++) {
      let expected = 0;
      for (const i of groups[g]!) expected += density[i]!;
      if (totals[g]! === 0) continue;
      likelihood += totals[g]! * Math.log(Math.max(expected, 1e-300) / mass);
      const scale = totals[g]! / Math.max(expected, 1e-300);
      for (const i of groups[g]!) {
        for (let k = 0; k < order; k++) {
          const weight = part[k]![i]! * scale;
          sums[k]! += weight;
          firsts[k]! += weight * middles[i]!;
          seconds[k]! += weight * middles[i]! * middles[i]!;
        }
      }
    }
    if (step >= steps || likelihood - logLikelihood < 1e-5) {
      const means = density.map((value) => (value / mass) * all);
      return {
        components: start.map((_, k) => ({ share: share[k]!, mean: mean[k]!, deviation: deviation[k]! })),
        means,
        logLikelihood: likelihood,
      };
    }
    logLikelihood = likelihood;
    for (let k = 0; k < order; k++) {
      if (sums[k]! < 1e-9) continue;
      share[k] = sums[k]! / all;
      mean[k] = firsts[k]! / sums[k]!;
      deviation[k] = Math.sqrt(Math.max(minVariance, seconds[k]! / sums[k]! - mean[k]! * mean[k]!));
    }
  }
}

/** Narrower components would be spikes at single prices. */
const minVariance = 0.05 ** 2;
