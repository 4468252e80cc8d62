/** An order of ordinary articles, as a diagram along order value assumes it: one line, whose pieces cost the same. */
export interface HypotheticalOrder {
  /** minor units, as shown */
  value: number;
  items: number;
  /** what they weigh and fill together: grams, cm³, mm */
  weight: number;
  volume: number;
  longestSide: number;
  codes?: readonly string[];
  channel?: string;
}

/** One article of that value, without weight or size. */
export const orderOfValue = (value: number): HypotheticalOrder => ({
  value,
  items: 1,
  weight: 0,
  volume: 0,
  longestSide: 0,
});
