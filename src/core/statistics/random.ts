/**
 * A small seeded generator: the same numbers everywhere from the same seed.
 * Source: mulberry32 (Tommy Ettinger, public domain). Not for anything secret.
 */
export function seededRandom(seed: number): () => number {
  let state = seed >>> 0;
  return () => {
    state = (state + 0x6d2b79f5) >>> 0;
    let t = state;
    t = Math.imul(t ^ (t >>> 15), t | 1);
    t ^= t + Math.imul(t ^ (t >>> 7), t | 61);
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };
}

/** A standard normal deviate. Source: Box and Muller, 1958. */
export function normal(random: () => number): number {
  return Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random());
}

/** An index with the given probabilities (weights need not add up to 1). */
export function weightedIndex(random: () => number, weights: readonly number[]): number {
  let left = random() * weights.reduce((sum, weight) => sum + weight, 0);
  for (const [index, weight] of weights.entries()) {
    left -= weight;
    if (left < 0) return index;
  }
  return weights.length - 1;
}

/** Draws indices with the given probabilities (weights need not add up to 1); for weights that are drawn from often. */
export function indexDrawer(weights: readonly number[]): (random: () => number) => number {
  const sums: number[] = [];
  let sum = 0;
  for (const weight of weights) sums.push((sum += weight));
  return (random) => {
    const wanted = random() * sum;
    let low = 0;
    let high = sums.length - 1;
    while (low < high) {
      const middle = (low + high) >> 1;
      if (sums[middle]! > wanted) high = middle;
      else low = middle + 1;
    }
    return low;
  };
}

/**
 * A Poisson deviate: by multiplication for small means (Knuth, The Art of Computer Programming 2, 3.4.1), by the
 * rounded normal above 60, where the two can no longer be told apart by what is done with them here.
 */
export function poissonDeviate(random: () => number, mean: number): number {
  if (mean <= 0) return 0;
  if (mean > 60) return Math.max(0, Math.round(mean + Math.sqrt(mean) * normal(random)));
  const limit = Math.exp(-mean);
  let product = random();
  let count = 0;
  while (product > limit) {
    product *= random();
    count++;
  }
  return count;
}
