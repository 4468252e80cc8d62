/** Rates of one currency day by day: 1 unit of the base is that many units, a decimal string kept as given. */
export interface DayRate {
  /** ISO 8601 day */
  day: string;
  rate: string;
}

/** currency → its rates, the oldest first */
export type RateHistory = Record<string, DayRate[]>;
