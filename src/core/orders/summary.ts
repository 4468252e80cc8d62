import { nthValue, type Distribution } from './distribution.ts';

/** What is said of order values in a line. Amounts in minor units, not rounded. */
export interface ValueSummary {
  orders: number;
  average: number;
  median: number;
  /** sample standard deviation, n − 1 below; 0 for a single order */
  deviation: number;
  lowerQuartile: number;
  upperQuartile: number;
}

/** @returns null without orders */
export function summarise(distribution: Distribution): ValueSummary | null {
  const { values, cumulative, orders } = distribution;
  if (orders === 0) return null;
  let sum = 0;
  for (let i = 0; i < values.length; i++) sum += values[i]! * (cumulative[i]! - (i > 0 ? cumulative[i - 1]! : 0));
  const average = sum / orders;
  let squares = 0;
  for (let i = 0; i < values.length; i++)
    squares += (values[i]! - average) ** 2 * (cumulative[i]! - (i > 0 ? cumulative[i - 1]! : 0));
  return {
    orders,
    average,
    median: quantile(distribution, 0.5),
    deviation: orders > 1 ? Math.sqrt(squares / (orders - 1)) : 0,
    lowerQuartile: quantile(distribution, 0.25),
    upperQuartile: quantile(distribution, 0.75),
  };
}

/**
 * The quantile at `share` (0 to 1): between the two orders around position (n − 1) × share, in proportion.
 * Source: type 7 of R. Hyndman and Y. Fan, The American Statistician 50 (1996).
 */
export function quantile(distribution: Distribution, share: number): number {
  const position = (distribution.orders - 1) * share;
  const low = Math.floor(position);
  const from = nthValue(distribution, low);
  return position === low ? from : from + (position - low) * (nthValue(distribution, low + 1) - from);
}

/**
 * Band width by the rule of D. Freedman and P. Diaconis, Zeitschrift für Wahrscheinlichkeitstheorie 57 (1981):
 * 2 × interquartile range ÷ n^(1/3). Minor units; 0 when half of all orders have one value.
 */
export function freedmanDiaconisWidth({ lowerQuartile, upperQuartile, orders }: ValueSummary): number {
  return (2 * (upperQuartile - lowerQuartile)) / Math.cbrt(orders);
}

/**
 * Bandwidth of the density by Silverman's rule of thumb: 0.9 × min(deviation, interquartile range ÷ 1.34) × n^(−1/5).
 * Source: B. Silverman, Density Estimation (1986), equation 3.31. Minor units.
 */
export function silvermanBandwidth({ deviation, lowerQuartile, upperQuartile, orders }: ValueSummary): number {
  const spread = (upperQuartile - lowerQuartile) / 1.34;
  return 0.9 * (spread > 0 ? Math.min(deviation, spread) : deviation) * orders ** -0.2;
}
