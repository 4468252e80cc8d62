import { isCurrency } from '../money/currency.ts';
import { inOrder } from '../ordered.ts';
import type { PolicyFault } from './fault.ts';
import { countryOfRegion, isCountry } from '../places/country.ts';
import { parsePostcodePattern } from '../places/postcode.ts';
import { localMoneyOf, resolveAmount, type LocalMoney } from '../money/local-amount.ts';
import type { AreaPart, Charge, LocalAmount, Policy } from './types.ts';

/** What a schema cannot say: every id leads somewhere, a country has one market, ranges run upward. */
export function checkReferences(policy: Policy): PolicyFault[] {
  const faults: PolicyFault[] = [];
  const fault = (pointer: string, message: string) => faults.push({ pointer, message });

  if (!isCurrency(policy.store.baseCurrency)) fault('/store/baseCurrency', 'is not a current ISO 4217 currency');
  for (const [currency, { rate }] of Object.entries(policy.rates ?? {})) {
    if (!isCurrency(currency)) fault(`/rates/${currency}`, 'is not a current ISO 4217 currency');
    if (currency === policy.store.baseCurrency) fault(`/rates/${currency}`, 'is the base currency, whose rate is 1');
    if (!/[1-9]/.test(rate)) fault(`/rates/${currency}/rate`, 'must be more than nothing');
  }
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
    const market = policy.zones[option.zone]?.market;
    if (market && policy.markets[market]) checkCharge(option.charge, localMoneyOf(policy, market), `/options/${id}/charge`, fault);
  }
  for (const [id, offer] of inOrder(policy.offers)) {
    for (const [goalId, goal] of Object.entries(offer.goals)) {
      const at = `/offers/${id}/goals/${goalId}`;
      for (const [market, target] of Object.entries(goal.targets)) {
        const pointer = `${at}/targets/${market}`;
        if (!policy.markets[market]) {
          fault(pointer, `there is no market "${market}"`);
          continue;
        }
        const money = localMoneyOf(policy, market);
        const minor = resolveAmount(target, money);
        if (minor === null) fault(pointer, noRate(money.currency));
        else if (minor < 1) fault(pointer, 'comes to nothing: a goal is more than nothing');
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

function checkCharge(charge: Charge, money: LocalMoney, at: string, fault: (pointer: string, message: string) => void): void {
  const amount = (local: LocalAmount | number, pointer: string): number | null => {
    if (typeof local === 'number') return local;
    const minor = resolveAmount(local, money);
    if (minor === null) fault(pointer, noRate(money.currency));
    return minor;
  };
  for (const [id, line] of inOrder(charge.lines)) {
    const here = `${at}/lines/${id}`;
    const { price, over } = line;
    amount(price.fixed, `${here}/price/fixed`);
    if (price.perUnit) amount(price.perUnit.amount, `${here}/price/perUnit/amount`);
    const min = price.min ? amount(price.min, `${here}/price/min`) : null;
    const max = price.max ? amount(price.max, `${here}/price/max`) : null;
    if (min !== null && max !== null && max < min) fault(`${here}/price/max`, 'must not be less than min');
    const from = over ? amount(over.from, `${here}/over/from`) : null;
    const to = over && over.to !== null ? amount(over.to, `${here}/over/to`) : null;
    if (from !== null && to !== null && to <= from) fault(`${here}/over/to`, 'must be more than from');
  }
  if (charge.otherwise.kind === 'price') amount(charge.otherwise.price, `${at}/otherwise/price`);
}

function noRate(currency: string): string {
  return `follows the base currency, but no rate of ${currency} has been adopted`;
}
