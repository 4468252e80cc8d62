import { isCurrency } from '../../money/currency.ts';
import { conditionsOfOption } from '../../conditions/leaves.ts';
import { inOrder } from '../../ordered.ts';
import { dayNumber } from '../../time/day.ts';
import { isTimeZone } from '../../time/time-zone-clock.ts';
import type { Fault, PolicyFault } from '../../policy/fault.ts';
import type { DeliveryOption, Policy } from '../../policy/types.ts';
import { checkNotice } from './check-notice.ts';
import { checkOffer } from './check-offer.ts';
import { checkOption } from './check-option.ts';
import { checkMarkets } from './check-markets.ts';
import { checkCondition, qualifierCycles } from './check-condition.ts';
import { checkExperiment } from './check-experiment.ts';
import { checkPlace } from './check-place.ts';
import { checkZone } from './check-zone.ts';
import { checkWording } from './check-wording.ts';
import { checkTestCart } from './check-test-cart.ts';

/**
 * What a schema cannot say: every id leads somewhere, a country has one market, ranges run upward.
 *
 * @param valid a policy without faults: options that it shares, with all they rest on, are not looked at again
 */
export function checkReferences(policy: Policy, valid?: Policy): PolicyFault[] {
  const faults: PolicyFault[] = [];
  const fault: Fault = (pointer, message) => faults.push({ pointer, message });
  checkStore(policy, fault);
  checkMarkets(policy, fault);
  // Amounts cannot be worked out in currencies that do not exist.
  if (faults.length > 0) return faults;
  checkQualifiers(policy, fault);
  for (const [id, zone] of inOrder(policy.zones)) checkZone(id, zone, policy, fault);
  for (const [id, place] of inOrder(policy.places ?? {})) checkPlace(id, place, fault);
  const known = valid && sharesSources(policy, valid) ? valid : null;
  for (const [id, option] of inOrder(policy.options))
    if (!known || !sharesOption(id, option, policy, known)) checkOption(id, option, policy, fault);
  for (const [id, offer] of inOrder(policy.offers)) checkOffer(id, offer, policy, fault);
  for (const [id, notice] of inOrder(policy.notices ?? {})) checkNotice(id, notice, policy, fault);
  checkWording(policy, valid, fault);
  for (const [id, cart] of inOrder(policy.testCarts)) checkTestCart(id, cart, policy, fault);
  for (const [id, experiment] of inOrder(policy.experiments ?? {})) checkExperiment(id, experiment, fault);
  checkUnseen(policy, fault);
  return faults;
}

/** What stands beside the rules. */
function checkUnseen(policy: Policy, fault: Fault): void {
  for (const [id, { when }] of inOrder(policy.guarantees ?? {}))
    if (when) checkCondition(when, policy, `/guarantees/${id}/when`, fault);
  for (const id of Object.keys(policy.assumptions ?? {}))
    if (!policy.markets[id]) fault(`/assumptions/${id}`, `there is no market "${id}"`);
}

/** The store itself, its rates and its calendars. */
function checkStore({ store, rates, calendars }: Policy, fault: Fault): void {
  if (!isCurrency(store.baseCurrency)) fault('/store/baseCurrency', 'is not a current ISO 4217 currency');
  if (!isTimeZone(store.timeZone)) fault('/store/timeZone', 'is not an IANA time zone');
  for (const [currency, { rate }] of Object.entries(rates ?? {})) {
    if (!isCurrency(currency)) fault(`/rates/${currency}`, 'is not a current ISO 4217 currency');
    if (currency === store.baseCurrency) fault(`/rates/${currency}`, 'is the base currency, whose rate is 1');
    if (!/[1-9]/.test(rate)) fault(`/rates/${currency}/rate`, 'must be more than nothing');
  }
  for (const [id, { holidays }] of Object.entries(calendars ?? {})) {
    for (const date of Object.keys(holidays))
      if (dayNumber(date) === null) fault(`/calendars/${id}/holidays/${date}`, 'is not a day');
  }
}

function checkQualifiers(policy: Policy, fault: Fault): void {
  for (const [id, { condition }] of inOrder(policy.qualifiers))
    checkCondition(condition, policy, `/qualifiers/${id}/condition`, fault);
  for (const { id, through } of qualifierCycles(policy))
    fault(`/qualifiers/${id}/condition`, `refers to itself through ${through.map((name) => `“${name}”`).join(', ')}`);
}

/** Whether two policies share what any option may rest on, but its zone and market. */
function sharesSources(policy: Policy, other: Policy): boolean {
  return (['store', 'rates', 'qualifiers', 'calendars', 'places'] as const).every(
    (part) => policy[part] === other[part],
  );
}

function sharesOption(id: string, option: DeliveryOption, policy: Policy, other: Policy): boolean {
  if (other.options[id] !== option) return false;
  if (policy.markets === other.markets && policy.zones === other.zones) return true;
  // Conditions may name any market and zone; without one only the option's own matter.
  const zone = policy.zones[option.zone];
  return (
    conditionsOfOption(option).length === 0 &&
    zone !== undefined &&
    other.zones[option.zone] === zone &&
    policy.markets[zone.market] === other.markets[zone.market]
  );
}
