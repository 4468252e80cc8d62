import type { CompiledMarket } from '../../../evaluation/compile.ts';
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
    [...examined.compiled.markets.values()].flatMap((market) =>
      market.market.countries.flatMap((country) => uncovered(examined, market, country)),
    ),
};

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
