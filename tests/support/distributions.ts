import { distributionOf, type Distribution } from '../../src/core/orders/distribution.ts';

/** The distribution of values in ascending order. */
export function fromValues(sorted: readonly number[]): Distribution {
  const valueSteps: number[] = [];
  const counts: number[] = [];
  let last = 0;
  for (const [i, value] of sorted.entries()) {
    if (i > 0 && value === sorted[i - 1]) {
      counts[counts.length - 1]!++;
      continue;
    }
    valueSteps.push(value - last);
    counts.push(1);
    last = value;
  }
  return distributionOf({ valueSteps, counts });
}
