/** What is known of experiments beside their orders. */
export interface KnownOfExperiments {
  /** shoppers that were quoted in an arm */
  shoppers: { experiment: string; arm: string; shoppers: number }[];
  /** those that ended by themselves: when, ISO 8601, the arm that lost margin and its interval to the first, minor units an order */
  ended: { experiment: string; at: string; arm: string; low: number; high: number }[];
}
