import type { CompiledMarket } from '../../../evaluation/compile.ts';
import { countryCodes } from '../../../geography/country.ts';
import { findZone } from '../../../evaluation/find-zone.ts';
import { exampleCart } from '../../example-cart.ts';
import type { Found } from '../../finding.ts';
import type { Examined, FindingKind } from '../../kind.ts';

/** A country that a market sells to and in which somebody is in no zone, so that nothing can be chosen there. */
export const uncoveredCountry: FindingKind = {
  kind: 'uncoveredCountry',
  called: 'countries in no zone',
  stop: 'markets',
  find: (examined) =>
    [...examined.compiled.markets.values()].flatMap((market) => [
      ...market.market.countries.flatMap((country) => uncovered(examined, market, country)),
      ...(market.market.elsewhere ? uncoveredElsewhere(examined, market) : []),
    ]),
};

/** Countries that a market sells to because no market names them. */
function uncoveredElsewhere({ compiled, locale }: Examined, market: CompiledMarket): Found[] {
  const { name } = market.market;
  const left = countryCodes.filter(
    (country) => !compiled.marketOfCountry.has(country) && !findZone(compiled, { country, postcode: '' }, '').found,
  );
  if (left.length === 0) return [];
  // Those that somebody has thought of, by trying a cart there, tell more than the first of the alphabet.
  const tried = new Set(Object.values(compiled.policy.testCarts).map(({ destination }) => destination.country));
  const [country] = [...left.filter((code) => tried.has(code)), ...left];
  const nameOf = (code: string) => new Intl.DisplayNames(locale, { type: 'region' }).of(code) ?? code;
  const which =
    left.length === 1 ? nameOf(country!) : `${left.length} countries that no market names, such as ${nameOf(country!)}`;
  return [
    {
      severity: 'wrong',
      at: `/markets/${market.id}/elsewhere`,
      marketId: market.id,
      sentence: `“${name}” sells to ${which}, but no zone takes ${left.length === 1 ? 'it' : 'them'} in: nobody there can check out.`,
      example: exampleCart(market, { country: country!, postcode: '' }, { name: `To ${nameOf(country!)}` }),
      remedy: null,
    },
  ];
}

function uncovered({ compiled, locale }: Examined, market: CompiledMarket, country: string): Found[] {
  const destination = { country, postcode: '' };
  // Of whom neither postcode nor region is known: only what takes in the whole country covers everybody.
  if (findZone(compiled, destination, '').found) return [];
  const partly = market.zones.some(({ include }) => include.some((part) => part.country === country));
  const name = new Intl.DisplayNames(locale, { type: 'region' }).of(country) ?? country;
  return [
    {
      severity: partly ? 'risky' : 'wrong',
      at: `/markets/${market.id}/countries/${country}`,
      key: country,
      marketId: market.id,
      sentence: partly
        ? `In ${name} only some places are in a zone of “${market.market.name}”; everywhere else nothing can be chosen.`
        : `“${market.market.name}” sells to ${name}, but no zone takes it in: nobody there can check out.`,
      example: exampleCart(market, destination, { name: `To ${name}` }),
      remedy: null,
    },
  ];
}
