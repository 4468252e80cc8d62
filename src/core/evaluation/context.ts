import { imagineCart } from '../cart/imagined-cart.ts';
import type { ImaginedOrder } from '../cart/imagined-order.ts';
import { ratesAt } from '../markets/terms.ts';
import { normalPostcode } from '../places/postcode.ts';
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

/** The same for other facts, such as a cart to which goods have been added. */
export const withFacts = ({ zone, quotes, redemptions }: ZoneContext, facts: Facts): ZoneContext =>
  contextOf(zone, facts, quotes, redemptions);

function contextOf(
  zone: CompiledZone,
  facts: Facts,
  quotes: Quotes | undefined,
  redemptions: Redemptions | undefined,
): ZoneContext {
  const standings: OfferStanding[] = [];
  for (const offer of zone.offers) standings.push(offerStanding(offer, facts, redemptions));
  return { facts, quotes, redemptions, zone, standings, active: activeOffers(zone.offers, standings) };
}

/** Who imagines an order, where it would go and when: an evaluation's input but for the cart. */
export interface Situation extends Pick<
  EvaluationInput,
  'shopper' | 'destination' | 'instant' | 'quotes' | 'redemptions'
> {
  codes?: readonly string[];
  channel?: string;
}

export function imaginedContext(zone: CompiledZone, order: ImaginedOrder, situation: Situation): ZoneContext {
  return zoneContext(
    zone,
    imaginedCart(zone, order, situation),
    normalPostcode(situation.destination.postcode),
    situation,
  );
}

/** An imagined order with the codes and the channel of who imagines it. */
export function imaginedCart(
  { market: { terms } }: CompiledZone,
  order: ImaginedOrder,
  { codes, channel, destination }: Situation,
): MeasuredCart {
  return imagineCart(
    { ...order, ...(codes ? { codes } : {}), ...(channel === undefined ? {} : { channel }) },
    terms,
    ratesAt(terms, destination.region),
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
