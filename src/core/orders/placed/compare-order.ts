import type { NoOptions } from '../../evaluation/evaluation.ts';
import type { Unavailability } from '../../options/price-before.ts';
import { redeemedOffers, type Outcome } from './outcome.ts';

/** What a shop says it has charged. */
export interface ChargedOrder {
  /** the option that was taken; null: nothing was delivered */
  option: string | null;
  /** for delivery, minor units as the market shows prices */
  delivery: number;
  /** the offers it has redeemed; undefined: it does not say */
  offers?: readonly string[];
}

/** How what was charged stands toward what the rules say. */
export type OrderVerdict = 'agrees' | 'more' | 'less' | 'notOffered' | 'offerNotDue' | 'notCompared';

/** Why an order is not offered as it was taken, or not compared. */
export type OrderReason = Unavailability | NoOptions | 'notInZone' | 'notDelivered' | 'beforeFirstRelease';

export interface ComparedOrder {
  verdict: OrderVerdict;
  /** why it is not offered or not compared; null for the other verdicts */
  because: OrderReason | null;
  /** the offer that was not due */
  offer: string | null;
  /** what the rules charge, minor units; null where they do not say */
  expected: number | null;
}

/** Compares what was charged for an order with what its cart was offered under the rules of its moment. */
export function compareOrder(outcome: Outcome, { option, delivery, offers }: ChargedOrder): ComparedOrder {
  if (option === null)
    return outcome.noOptions === 'nothingToDeliver'
      ? compared(0, delivery)
      : without('notOffered', outcome.noOptions ?? 'notDelivered');
  const offered = outcome.options.find((one) => one.option === option);
  if (!offered) return notAmongThem(outcome, option);
  if (offered.after !== delivery) return compared(offered.after, delivery);
  const due = redeemedOffers(outcome, option);
  const offer = offers?.find((one) => !due.includes(one)) ?? null;
  return { verdict: offer === null ? 'agrees' : 'offerNotDue', because: null, offer, expected: offered.after };
}

function compared(expected: number, charged: number): ComparedOrder {
  const differs = charged > expected ? 'more' : 'less';
  return { verdict: charged === expected ? 'agrees' : differs, because: null, offer: null, expected };
}

/** Nothing can be said of what it costs. */
export const without = (verdict: OrderVerdict, because: OrderReason): ComparedOrder => ({
  verdict,
  because,
  offer: null,
  expected: null,
});

function notAmongThem({ unavailable, noOptions }: Outcome, option: string): ComparedOrder {
  const because = unavailable.find((one) => one.option === option)?.reason ?? noOptions ?? 'notInZone';
  // What a carrier said at that moment is not known any more.
  return without(because === 'carrierSilent' ? 'notCompared' : 'notOffered', because);
}
