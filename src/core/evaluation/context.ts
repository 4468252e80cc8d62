import { cartOfHypotheticalOrder } from '../cart/hypothetical-cart.ts';
import type { HypotheticalOrder } from '../cart/hypothetical-order.ts';
import { taxRatesAt } from '../markets/terms.ts';
import { locate } from '../geography/postcode-regions/region-of-postcode.ts';
import type { ChargeInput } from '../charges/charge-input.ts';
import { guest } from '../cart/shopper.ts';
import type { MeasuredCart } from '../cart/measures.ts';
import type { Facts } from '../conditions/asked.ts';
import { activeOffers, type ActiveOffer } from '../offers/active-offers.ts';
import { offerStanding, type OfferStanding } from '../offers/standing.ts';
import type { CompiledZone } from './compile.ts';
import type { Quotes, Redemptions } from '../policy/types.ts';
import type { EvaluationInput } from './evaluation.ts';

/** Everything known about one evaluation in a zone before options are priced. */
export interface ZoneContext extends ChargeInput {
  zone: CompiledZone;
  redemptions: Redemptions | undefined;
  standings: OfferStanding[];
  active: ActiveOffer[];
}

/** @param postcode of the destination as it is compared */
export function zoneContext(
  zone: CompiledZone,
  cart: MeasuredCart,
  postcode: string,
  input: Omit<EvaluationInput, 'cart'>,
): ZoneContext {
  return contextOf(zone, factsIn(zone, cart, postcode, input), input.quotes, input.redemptions);
}

/** The same for a cart to which goods have been added, of which nothing more is promised. */
export const withFacts = ({ zone, quotes, redemptions }: ZoneContext, facts: Facts): ZoneContext =>
  contextOf(zone, facts, quotes, redemptions, false);

function contextOf(
  zone: CompiledZone,
  facts: Facts,
  quotes: Quotes | undefined,
  redemptions: Redemptions | undefined,
  promises = true,
): ZoneContext {
  const standings: OfferStanding[] = [];
  for (const offer of zone.offers) standings.push(offerStanding(offer, facts, redemptions, promises));
  return { facts, quotes, redemptions, zone, standings, active: activeOffers(zone.offers, standings) };
}

/** Whose hypothetical order it is, where it would go and when: an evaluation's input but for the cart. */
export interface Situation extends Pick<
  EvaluationInput,
  'shopper' | 'destination' | 'instant' | 'quotes' | 'redemptions'
> {
  codes?: readonly string[];
  channel?: string;
}

export function hypotheticalContext(zone: CompiledZone, order: HypotheticalOrder, given: Situation): ZoneContext {
  const { situation, postcode } = locatedSituation(given);
  return zoneContext(zone, hypotheticalCart(zone, order, situation), postcode, situation);
}

/** A situation with what its postcode tells, and the postcode as it is compared. */
export function locatedSituation(given: Situation): { situation: Situation; postcode: string } {
  const { destination, postcode } = locate(given.destination);
  return { situation: destination === given.destination ? given : { ...given, destination }, postcode };
}

/** A hypothetical order with the codes and the channel of whose it is. */
export function hypotheticalCart(
  { market: { terms } }: CompiledZone,
  order: HypotheticalOrder,
  { codes, channel, destination }: Situation,
): MeasuredCart {
  return cartOfHypotheticalOrder(
    { ...order, ...(codes ? { codes } : {}), ...(channel === undefined ? {} : { channel }) },
    terms,
    taxRatesAt(terms, destination.region),
  );
}

/** What conditions can ask about an order in a zone. */
export function factsIn(
  { id }: CompiledZone,
  cart: MeasuredCart,
  postcode: string,
  { shopper, destination, instant }: Pick<EvaluationInput, 'shopper' | 'destination' | 'instant'>,
): Facts {
  return { cart, delivered: null, shopper: shopper ?? guest, destination, postcode, zoneId: id, instant };
}
