import { isCurrency } from '../../money/currency.ts';
import { inOrder } from '../../ordered.ts';
import { countryOfRegion, isCountry } from '../../geography/country.ts';
import { isTimeZone } from '../../time/time-zone-clock.ts';
import type { Fault } from '../../policy/fault.ts';
import type { Policy } from '../../policy/types.ts';

/** Currencies, countries and time zones exist; a country has one market, and one market at most takes all others. */
export function checkMarkets(policy: Policy, fault: Fault): void {
  const marketOfCountry = new Map<string, string>();
  let elsewhere: string | null = null;
  for (const [id, market] of inOrder(policy.markets)) {
    const at = `/markets/${id}`;
    if (!isCurrency(market.currency)) fault(`${at}/currency`, 'is not a current ISO 4217 currency');
    if (market.timeZone !== undefined && !isTimeZone(market.timeZone))
      fault(`${at}/timeZone`, 'is not an IANA time zone');
    if (market.countries.length === 0 && !market.elsewhere)
      fault(`${at}/countries`, 'must name a country, or the market take every country that no other names');
    for (const [index, country] of market.countries.entries()) {
      if (!isCountry(country)) fault(`${at}/countries/${index}`, `${country} is not an ISO 3166-1 country`);
      const other = marketOfCountry.get(country);
      if (other) fault(`${at}/countries/${index}`, `${country} already belongs to the market "${other}"`);
      else marketOfCountry.set(country, id);
    }
    if (market.elsewhere && elsewhere !== null)
      fault(`${at}/elsewhere`, `the market "${elsewhere}" already takes every country that no other names`);
    if (market.elsewhere) elsewhere ??= id;
    for (const region of Object.keys(market.tax.regions ?? {})) {
      if (!sellsTo(policy, id, countryOfRegion(region)))
        fault(`${at}/tax/regions/${region}`, `${countryOfRegion(region)} is not a country of this market`);
    }
  }
}

/** Whether a market sells to a country: one it names, or one that no market names. */
export function sellsTo(policy: Policy, marketId: string, country: string): boolean {
  const market = policy.markets[marketId];
  if (!market) return false;
  return (
    market.countries.includes(country) ||
    (market.elsewhere === true &&
      isCountry(country) &&
      !Object.values(policy.markets).some(({ countries }) => countries.includes(country)))
  );
}
