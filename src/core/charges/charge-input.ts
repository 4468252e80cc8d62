import type { Facts } from '../conditions/asked.ts';
import type { Quotes } from '../policy/types.ts';

/** What a charge is computed from. */
export interface ChargeInput {
  facts: Facts;
  /** what carriers quote, minor units; none known: every carrier is silent */
  quotes: Quotes | undefined;
}

/**
 * Notes the decisions on the way to a price, so that two amounts that are priced in the same way can be told from two
 * that are not. Null in ordinary evaluations.
 */
export type DecisionPath = number[] | null;
