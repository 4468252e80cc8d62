import { measureCart } from '../cart/measures.ts';
import { guest } from '../cart/shopper.ts';
import { compileCondition } from '../conditions/compile-condition.ts';
import { ratesAt } from '../markets/terms.ts';
import { findPlace } from '../places/find-zone.ts';
import { normalPostcode } from '../places/postcode.ts';
import type { Condition, Policy } from '../policy/types.ts';
import type { CompiledPolicy } from './compile.ts';
import type { EvaluationInput } from './evaluation.ts';

/** Whether a condition holds for who buys what; null where nothing can be asked, because no market or zone takes them. */
export function conditionHolds(
  compiled: CompiledPolicy,
  qualifiers: Policy['qualifiers'],
  condition: Condition,
  input: EvaluationInput,
): boolean | null {
  const { destination, instant } = input;
  const postcode = destination.postcode === '' ? '' : normalPostcode(destination.postcode);
  const place = findPlace(compiled, destination, postcode, input.market);
  if (!place.market || !place.found) return null;
  const { terms } = place.market;
  const cart = measureCart(input.cart, terms, ratesAt(terms, destination.region), destination);
  return compileCondition(condition, qualifiers, terms).holds({
    cart,
    delivered: null,
    shopper: input.shopper ?? guest,
    destination,
    postcode,
    zoneId: place.zone.id,
    instant,
  });
}
