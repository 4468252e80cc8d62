/** What is known of values so far: enough to go on from, whatever comes. */
export interface Running {
  count: number;
  mean: number;
  /** sum of squares about the mean */
  squares: number;
}

export const nobodyYet: Running = { count: 0, mean: 0, squares: 0 };

/** Of values that are all there, in two passes. */
export function runningOf(values: ArrayLike<number>): Running {
  const count = values.length;
  if (count === 0) return nobodyYet;
  let [sum, squares] = [0, 0];
  for (let index = 0; index < count; index++) sum += values[index]!;
  const mean = sum / count;
  for (let index = 0; index < count; index++) squares += (values[index]! - mean) ** 2;
  return { count, mean, squares };
}

/** Takes in further values. */
export function withValues(running: Running, values: ArrayLike<number>): Running {
  return together(running, runningOf(values));
}

/** Two groups as one. Source: T. Chan, G. Golub and R. LeVeque, Updating formulae and a pairwise algorithm for computing sample variances (1979) */
export function together(one: Running, other: Running): Running {
  if (one.count === 0) return other;
  if (other.count === 0) return one;
  const count = one.count + other.count;
  const away = other.mean - one.mean;
  return {
    count,
    mean: one.mean + (away * other.count) / count,
    squares: one.squares + other.squares + (away ** 2 * one.count * other.count) / count,
  };
}

/** So many ones among so many values that are 1 or 0. */
export function shareOf(ones: number, count: number): Running {
  if (count === 0) return nobodyYet;
  const mean = ones / count;
  return { count, mean, squares: count * mean * (1 - mean) };
}
