import { isCurrency } from '../../money/currency.ts';
import { inOrder } from '../../ordered.ts';
import { dayNumber } from '../../time/day.ts';
import { isTimeZone } from '../../time/zone-clock.ts';
import type { Fault, PolicyFault } from '../fault.ts';
import { Reuse } from '../../reuse.ts';
import type { DeliveryOption, Policy } from '../types.ts';
import { checkOffer } from './check-offer.ts';
import { checkOption } from './check-option.ts';
import { checkMarkets } from './check-markets.ts';
import { checkCondition, qualifierCycles } from './check-condition.ts';
import { checkPlace } from './check-place.ts';
import { checkZone } from './check-zone.ts';
import { checkTestCart } from './check-test-cart.ts';

const optionFaults = new Reuse<DeliveryOption, PolicyFault[]>();

function faultsOf(check: (fault: Fault) => void): PolicyFault[] {
  const faults: PolicyFault[] = [];
  check((pointer, message) => faults.push({ pointer, message }));
  return faults;
}

/** What a schema cannot say: every id leads somewhere, a country has one market, ranges run upward. */
export function checkReferences(policy: Policy): PolicyFault[] {
  const faults: PolicyFault[] = [];
  const fault: Fault = (pointer, message) => faults.push({ pointer, message });
  if (!isCurrency(policy.store.baseCurrency)) fault('/store/baseCurrency', 'is not a current ISO 4217 currency');
  if (!isTimeZone(policy.store.timeZone)) fault('/store/timeZone', 'is not an IANA time zone');
  for (const [currency, { rate }] of Object.entries(policy.rates ?? {})) {
    if (!isCurrency(currency)) fault(`/rates/${currency}`, 'is not a current ISO 4217 currency');
    if (currency === policy.store.baseCurrency) fault(`/rates/${currency}`, 'is the base currency, whose rate is 1');
    if (!/[1-9]/.test(rate)) fault(`/rates/${currency}/rate`, 'must be more than nothing');
  }
  for (const [id, { holidays }] of Object.entries(policy.calendars ?? {})) {
    for (const date of Object.keys(holidays)) if (dayNumber(date) === null) fault(`/calendars/${id}/holidays/${date}`, 'is not a day');
  }
  checkMarkets(policy, fault);
  // Amounts cannot be worked out in currencies that do not exist.
  if (faults.length > 0) return faults;
  for (const [id, { condition }] of inOrder(policy.qualifiers)) checkCondition(condition, policy, `/qualifiers/${id}/condition`, fault);
  for (const { id, through } of qualifierCycles(policy)) fault(`/qualifiers/${id}/condition`, `refers to itself through ${through.map((name) => `“${name}”`).join(', ')}`);
  for (const [id, zone] of inOrder(policy.zones)) checkZone(id, zone, policy, fault);
  for (const [id, place] of inOrder(policy.places ?? {})) checkPlace(id, place, fault);
  for (const [id, option] of inOrder(policy.options)) {
    const { zones, markets, store, rates, qualifiers, calendars, places } = policy;
    const zone = zones[option.zone];
    // Conditions may name any market; without one only its own matters.
    const conditional = option.when !== undefined || Object.values(option.charge.lines).some(({ when }) => when !== undefined);
    const restsOn = [id, zone, conditional ? markets : markets[zone?.market ?? ''], store, rates, qualifiers, calendars, places];
    for (const { pointer, message } of optionFaults.get(option, restsOn, () => faultsOf((note) => checkOption(id, option, policy, note)))) fault(pointer, message);
  }
  for (const [id, offer] of inOrder(policy.offers)) checkOffer(id, offer, policy, fault);
  for (const id of Object.keys(policy.wording)) if (!policy.offers[id]) fault(`/wording/${id}`, `there is no offer "${id}"`);
  for (const [id, cart] of inOrder(policy.testCarts)) checkTestCart(id, cart, policy, fault);
  for (const id of Object.keys(policy.assumptions ?? {})) if (!policy.markets[id]) fault(`/assumptions/${id}`, `there is no market "${id}"`);
  return faults;
}
