import { normalQuantile } from './normal.ts';

/** How surely something is to be found. */
export interface Certainty {
  /** how often chance alone may be taken for a difference, two-sided: 0.05 */
  error: number;
  /** how often a difference that is there is to be found: 0.8 */
  power: number;
}

export const usualCertainty: Certainty = { error: 0.05, power: 0.8 };

const factor = ({ error, power }: Certainty): number => (normalQuantile(1 - error / 2) + normalQuantile(power)) ** 2;

/**
 * Members that each of two groups needs so that a difference of their averages is found, by the normal approximation.
 * Source: J. Cohen, Statistical Power Analysis for the Behavioral Sciences, 2nd edition (1988), 2.4, without its correction for small samples.
 *
 * @param effect the smallest difference worth finding, in the unit of the deviation; not 0
 * @param ratio members of the second group for each of the first
 * @returns of the first group
 */
export function membersForAverages(
  effect: number,
  deviation: number,
  ratio = 1,
  certainty: Certainty = usualCertainty,
): number {
  return Math.ceil(((1 + 1 / ratio) * factor(certainty) * deviation ** 2) / effect ** 2);
}

/**
 * The same for shares: from one to another.
 * Source: J. Fleiss, B. Levin and M. Paik, Statistical Methods for Rates and Proportions, 3rd edition (2003), 4.3, without the correction for continuity.
 *
 * @param from @param to between 0 and 1, not the same
 */
export function membersForShares(from: number, to: number, { error, power }: Certainty = usualCertainty): number {
  const middle = (from + to) / 2;
  const alike = normalQuantile(1 - error / 2) * Math.sqrt(2 * middle * (1 - middle));
  const apart = normalQuantile(power) * Math.sqrt(from * (1 - from) + to * (1 - to));
  return Math.ceil(((alike + apart) / (to - from)) ** 2);
}
