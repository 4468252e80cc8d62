import { currencyOfCountry } from '../../core/geography/country-currency.ts';
import type { ProposedMarket } from '../../core/imports/propose-markets.ts';
import { likelyLanguage } from '../../core/wording/languages/likely-language.ts';
import { inOrder, orderAfterLast } from '../../core/ordered.ts';
import { emptyPolicy } from '../../core/policy/empty.ts';
import type { AreaPart, Market, Policy, Zone } from '../../core/policy/types.ts';
import type { Edit } from './edit.ts';
import { freshId, inTurn, setAt } from './set-at.ts';

/** Gives countries to a market; each leaves the one it was in. A market of null leaves them in none. */
export const assignCountries =
  (countries: readonly string[], marketId: string | null): Edit =>
  (policy) => {
    const moving = new Set(countries);
    return inOrder(policy.markets).flatMap(([id, market]) => {
      const kept = market.countries.filter((code) => !moving.has(code) || id === marketId);
      const next = id === marketId ? [...kept, ...countries.filter((code) => !kept.includes(code))] : kept;
      return next.length === market.countries.length ? [] : setAt(['markets', id, 'countries'], next)(policy);
    });
  };

/** A market of its own for a country, with a zone that covers it, in that country’s currency and language. A store’s first also says, where the store has not, from where goods leave and what the base currency is. */
export const addMarket =
  (country: string, name: string): Edit =>
  (policy) => {
    const id = freshId(name, policy.markets);
    const market: Market = {
      order: orderAfterLast(policy.markets),
      name,
      countries: [country],
      currency: currencyOfCountry(country) ?? policy.store.baseCurrency,
      languages: [likelyLanguage(country)],
      tax: { prices: 'withTax', delivery: '0', classes: { standard: '0' } },
      preselect: 'first',
    };
    const zone: Zone = {
      order: orderAfterLast(policy.zones),
      market: id,
      name: `All of ${name}`,
      on: true,
      area: { include: { whole: { kind: 'wholeMarket' } } },
    };
    const { store: unsaid } = emptyPolicy();
    const first = Object.keys(policy.markets).length === 0;
    const { baseCurrency, origin } = policy.store;
    const store: Policy['store'] = {
      ...policy.store,
      baseCurrency: baseCurrency === unsaid.baseCurrency ? market.currency : baseCurrency,
      origin: origin.country === unsaid.origin.country && origin.postcode === '' ? { ...origin, country } : origin,
    };
    return inTurn(
      ...(first ? [setAt(['store'], store)] : []),
      assignCountries([country], null),
      setAt(['markets', id], market),
      setAt(['zones', freshId(`${id}-all`, policy.zones)], zone),
    )(policy);
  };

/** Markets proposed from a file of orders, each as one of its own would begin, in the currency that its orders are in. */
export const addProposedMarkets = (
  markets: readonly Pick<ProposedMarket, 'currency' | 'countries'>[],
  nameOf: (countries: readonly string[]) => string,
): Edit =>
  inTurn(
    ...markets.map(({ currency, countries }): Edit => (policy) => {
      const [first, ...others] = countries;
      if (first === undefined) return [];
      const name = nameOf(countries);
      const id = freshId(name, policy.markets);
      return inTurn(
        addMarket(first, name),
        assignCountries(others, id),
        setAt(['markets', id, 'currency'], currency),
        setAt(['markets', id, 'languages'], [...new Set(countries.map(likelyLanguage))].slice(0, mostLanguages)),
      )(policy);
    }),
  );

/** More are added by hand. */
const mostLanguages = 12;

/** A market with its zones and their options; goals, prices and assumptions that were set for it go too. */
export const removeMarket =
  (marketId: string): Edit =>
  (policy) => {
    const zones = Object.entries(policy.zones)
      .filter(([, { market }]) => market === marketId)
      .map(([id]) => id);
    const goals = inOrder(policy.offers).flatMap(([offer, { goals: all, markets }]) => [
      ...(markets?.[marketId] !== undefined ? [setAt(['offers', offer, 'markets', marketId], undefined)] : []),
      ...Object.entries(all).flatMap(([goal, { targets }]) =>
        targets[marketId] ? [setAt(['offers', offer, 'goals', goal, 'targets', marketId], undefined)] : [],
      ),
    ]);
    return inTurn(
      ...goals,
      ...zones.map(removeZone),
      ...(policy.assumptions?.[marketId] ? [setAt(['assumptions', marketId], undefined)] : []),
      setAt(['markets', marketId], undefined),
    )(policy);
  };

export const addZone =
  (marketId: string, name: string, part: AreaPart): Edit =>
  (policy) => {
    // Off until it says what it takes in: as it begins, it would take every shopper of the country away from other zones.
    const zone: Zone = {
      order: orderAfterLast(policy.zones),
      market: marketId,
      name,
      on: false,
      area: { include: { part } },
    };
    return setAt(['zones', freshId(name, policy.zones)], zone)(policy);
  };

/** A zone with its options. */
export const removeZone =
  (zoneId: string): Edit =>
  (policy) => {
    const options = Object.entries(policy.options)
      .filter(([, { zone }]) => zone === zoneId)
      .map(([id]) => id);
    return inTurn(
      ...options.map((id) => setAt(['options', id], undefined)),
      setAt(['zones', zoneId], undefined),
    )(policy);
  };

export const addAreaPart =
  (zoneId: string, side: 'include' | 'exclude', part: AreaPart): Edit =>
  (policy) =>
    setAt(
      ['zones', zoneId, 'area', side, freshId(part.kind.toLowerCase(), policy.zones[zoneId]?.area[side] ?? {})],
      part,
    )(policy);

/** An empty list of exclusions goes with its last entry. */
export const removeAreaPart =
  (zoneId: string, side: 'include' | 'exclude', partId: string): Edit =>
  (policy) => {
    const last = side === 'exclude' && Object.keys(policy.zones[zoneId]?.area.exclude ?? {}).length === 1;
    return setAt(
      last ? ['zones', zoneId, 'area', 'exclude'] : ['zones', zoneId, 'area', side, partId],
      undefined,
    )(policy);
  };

/** Adds patterns to a list of postcodes and takes others out; those that are there already stay. */
export const changePatterns =
  (
    zoneId: string,
    side: 'include' | 'exclude',
    partId: string,
    { add = [], remove = [] }: { add?: readonly string[]; remove?: readonly string[] },
  ): Edit =>
  (policy) => {
    const part = policy.zones[zoneId]?.area[side]?.[partId];
    if (part?.kind !== 'postcodes') return [];
    const at = (pattern: string) => ['zones', zoneId, 'area', side, partId, 'patterns', pattern];
    return [
      ...add.filter((pattern) => !part.patterns[pattern]).flatMap((pattern) => setAt(at(pattern), true)(policy)),
      ...remove.filter((pattern) => part.patterns[pattern]).flatMap((pattern) => setAt(at(pattern), undefined)(policy)),
    ];
  };

export const adoptRate = (currency: string, rate: string, day: string): Edit =>
  setAt(['rates', currency], { rate, adoptedAt: day });
