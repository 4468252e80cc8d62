import { measureCart } from '../cart/measures.ts';
import { ratesAt } from '../markets/terms.ts';
import { findPlace } from '../places/find-zone.ts';
import { normalPostcode } from '../places/postcode.ts';
import type { CompiledPolicy } from './compile.ts';
import { zoneContext } from './context.ts';
import { evaluate } from './evaluate.ts';
import type { EvaluationInput } from './evaluation.ts';
import { voicesOf, type Silence } from './lead-message.ts';
import { outcomeOf } from './outcome.ts';
import { pricesBefore } from './price-options.ts';

/** What comes of an offer that wants to speak: it leads, another one does, or it says nothing. */
export type LeadRank =
  | { offerId: string; rank: 'leads' }
  | { offerId: string; rank: 'after' }
  | { offerId: string; rank: 'silent'; because: Silence };

/**
 * Every offer of the zone in the order in which they are asked, and what comes of each: one leads, the others wait for it
 * to be reached or say nothing. Nothing rotates: the same cart always reads the same.
 *
 * @returns empty where no option can be chosen, so that nobody speaks
 */
export function leadOrder(compiled: CompiledPolicy, input: EvaluationInput): LeadRank[] {
  const { destination } = input;
  const postcode = destination.postcode === '' ? '' : normalPostcode(destination.postcode);
  const place = findPlace(compiled, destination, postcode, input.market);
  const { lead, options, preselected } = evaluate(compiled, input);
  if (!place.found || options.length === 0) return [];
  const { terms } = place.market;
  const context = zoneContext(
    place.zone,
    measureCart(input.cart, terms, ratesAt(terms, destination.region), destination),
    postcode,
    input,
  );
  const before = pricesBefore(context);
  return voicesOf(context, { before, now: outcomeOf(context, before, context.active), preselected }).map(
    ({ offerId, ahead, given }): LeadRank => {
      if (lead?.offerId === offerId) return { offerId, rank: 'leads' };
      return 'silent' in ahead && 'silent' in given
        ? { offerId, rank: 'silent', because: ahead.silent === 'changesNothing' ? given.silent : ahead.silent }
        : { offerId, rank: 'after' };
    },
  );
}
