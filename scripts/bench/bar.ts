/** One thing that must be fast enough: what was measured against what is required, in words, and whether it holds. */
export interface Bar {
  name: string;
  measured: string;
  required: string;
  held: boolean;
}

export function sorted(values: readonly number[]): number[] {
  return [...values].sort((a, b) => a - b);
}

/** The smallest value that at least `share` of the values do not exceed. */
export function quantile(values: readonly number[], share: number): number {
  return sorted(values)[Math.max(0, Math.ceil(share * values.length) - 1)]!;
}

export const median = (values: readonly number[]): number => quantile(values, 0.5);
