import { isCurrency } from '../money/currency.ts';
import { inOrder } from '../ordered.ts';
import type { PolicyFault } from './fault.ts';
import { countryOfRegion, isCountry } from '../places/country.ts';
import { parsePostcodePattern } from '../places/postcode.ts';
import type { AreaPart, Charge, Policy } from './types.ts';
import { amountOf } from './types.ts';

/** What a schema cannot say: every id leads somewhere, a country has one market, ranges run upward. */
export function checkReferences(policy: Policy): PolicyFault[] {
  const faults: PolicyFault[] = [];
  const fault = (pointer: string, message: string) => faults.push({ pointer, message });

  if (!isCurrency(policy.store.baseCurrency)) fault('/store/baseCurrency', 'is not a current ISO 4217 currency');
  const marketOfCountry = new Map<string, string>();
  for (const [id, market] of inOrder(policy.markets)) {
    if (!isCurrency(market.currency)) fault(`/markets/${id}/currency`, 'is not a current ISO 4217 currency');
    for (const [index, country] of market.countries.entries()) {
      if (!isCountry(country)) fault(`/markets/${id}/countries/${index}`, `${country} is not an ISO 3166-1 country`);
      const other = marketOfCountry.get(country);
      if (other) fault(`/markets/${id}/countries/${index}`, `${country} already belongs to the market "${other}"`);
      else marketOfCountry.set(country, id);
    }
  }
  for (const [id, zone] of inOrder(policy.zones)) {
    const market = policy.markets[zone.market];
    if (!market) {
      fault(`/zones/${id}/market`, `there is no market "${zone.market}"`);
      continue;
    }
    for (const side of ['include', 'exclude'] as const) {
      for (const [part, area] of Object.entries(zone.area[side] ?? {})) checkAreaPart(area, market.countries, `/zones/${id}/area/${side}/${part}`, fault);
    }
  }
  for (const [id, option] of inOrder(policy.options)) {
    if (!policy.zones[option.zone]) fault(`/options/${id}/zone`, `there is no zone "${option.zone}"`);
    if (option.estimate.min > option.estimate.max) fault(`/options/${id}/estimate/max`, 'must not be less than min');
    checkRanges(option.charge, `/options/${id}/charge`, fault);
  }
  for (const [id, offer] of inOrder(policy.offers)) {
    for (const [goalId, goal] of Object.entries(offer.goals)) {
      const at = `/offers/${id}/goals/${goalId}`;
      for (const market of Object.keys(goal.targets)) {
        if (!policy.markets[market]) fault(`${at}/targets/${market}`, `there is no market "${market}"`);
      }
      for (const [rewardId, reward] of Object.entries(goal.rewards)) {
        if (reward.on.by !== 'list') continue;
        for (const option of Object.keys(reward.on.options)) {
          if (!policy.options[option]) fault(`${at}/rewards/${rewardId}/on/options/${option}`, `there is no delivery option "${option}"`);
        }
      }
    }
  }
  for (const id of Object.keys(policy.wording)) {
    if (!policy.offers[id]) fault(`/wording/${id}`, `there is no offer "${id}"`);
  }
  return faults;
}

function checkAreaPart(part: AreaPart, countries: readonly string[], at: string, fault: (pointer: string, message: string) => void): void {
  const inMarket = (country: string, field: string) => {
    if (!countries.includes(country)) fault(`${at}/${field}`, `${country} is not a country of this zone's market`);
  };
  if (part.kind === 'country' || part.kind === 'postcode') inMarket(part.country, 'country');
  if (part.kind === 'region') inMarket(countryOfRegion(part.region), 'region');
  if (part.kind === 'postcode') {
    const parsed = parsePostcodePattern(part.pattern);
    if (!parsed.ok) fault(`${at}/pattern`, parsed.reason);
  }
}

function checkRanges(charge: Charge, at: string, fault: (pointer: string, message: string) => void): void {
  for (const [id, line] of inOrder(charge.lines)) {
    const over = line.over;
    if (over?.to && amountOf(over.to) <= amountOf(over.from)) fault(`${at}/lines/${id}/over/to`, 'must be more than from');
  }
}
