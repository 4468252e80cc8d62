import type { HypotheticalOrder } from '../cart/hypothetical-order.ts';
import { activeOffers, type GoalsReached } from '../offers/active-offers.ts';
import { countedToward } from '../offers/counted.ts';
import { codeStandsForAmount, statusOf, type OfferStatus } from '../offers/status.ts';
import type { CompiledZone } from './compile.ts';
import { factsIn, hypotheticalCart, locatedSituation, type Situation, type ZoneContext } from './context.ts';

/** What an order's prices depend on, and which goals are in force and reached, counted through all offers of the zone. */
export interface Priceable {
  context: Omit<ZoneContext, 'standings' | 'redemptions'>;
  reached: number[];
}

const isReached = { reached: true };
const isNot = { reached: false };
const nothing: GoalsReached = { status: 'over', goals: [] };

/**
 * Prepares to price many hypothetical orders of one shopper, place and moment. Whether an offer is in force is asked once unless
 * its condition looks at the cart, and nothing is worked out that only messages need: of many offers and orders that is most
 * of an evaluation.
 */
export function pricing(zone: CompiledZone, given: Situation): (order: HypotheticalOrder) => Priceable {
  const { situation, postcode } = locatedSituation(given);
  const { quotes, redemptions } = situation;
  let fixed: (OfferStatus | null)[] | null = null;
  return (order) => {
    const facts = factsIn(zone, hypotheticalCart(zone, order, situation), postcode, situation);
    fixed ??= zone.offers.map((offer) => (offer.whenLooksAtCart ? null : statusOf(offer, facts, redemptions)));
    const standings: GoalsReached[] = [];
    const reached: number[] = [];
    let number = 0;
    for (let rank = 0; rank < zone.offers.length; rank++) {
      const offer = zone.offers[rank]!;
      const status = fixed[rank] ?? statusOf(offer, facts, redemptions);
      if (status !== 'inForce') {
        standings.push(nothing);
        number += offer.goals.length;
        continue;
      }
      const byCode = codeStandsForAmount(offer, facts);
      const goals: { reached: boolean }[] = [];
      for (const { counts, target } of offer.goals) {
        const enough = byCode || (target !== null && countedToward(counts, facts.cart) >= target);
        goals.push(enough ? isReached : isNot);
        if (enough) reached.push(number);
        number++;
      }
      standings.push({ status, goals });
    }
    return { context: { facts, quotes, zone, active: activeOffers(zone.offers, standings) }, reached };
  };
}
