import { currencyExponent } from '../money/currency.ts';
import { inOrder } from '../ordered.ts';
import { countryByName } from '../geography/country-names.ts';
import type { Policy } from '../policy/types.ts';

type Place =
  | { ok: true; marketId: string; marketName: string; country: string; currency: string; exponent: number }
  | { ok: false; field: 'country' | 'market'; reason: string };

/** Markets and options by what files call them; answers are remembered, since few differ. */
export class PlaceNames {
  readonly #policy: Policy;
  readonly #only: string | null;
  readonly #found = new Map<string, Place>();
  /** by market */
  readonly #options = new Map<string, Map<string, string>>();
  readonly #optionNames = new Map<string, string>();

  constructor(policy: Policy, only: string | null) {
    this.#policy = policy;
    this.#only = only;
    for (const [id, option] of inOrder(policy.options)) {
      const market = policy.zones[option.zone]?.market ?? '';
      for (const name of [id, option.name, ...Object.values(option.label)]) {
        const key = `${market}\n${name.toLowerCase()}`;
        if (!this.#optionNames.has(key)) this.#optionNames.set(key, id);
      }
    }
  }

  find(countryText: string, marketText: string): Place {
    const key = `${countryText}\n${marketText}`;
    let place = this.#found.get(key);
    if (!place) {
      place = this.#find(countryText, marketText);
      if (this.#found.size < 10_000) this.#found.set(key, place);
    }
    return place;
  }

  #find(countryText: string, marketText: string): Place {
    const { markets } = this.#policy;
    const country = countryText === '' ? '' : countryByName(countryText);
    if (country === null)
      return { ok: false, field: 'country', reason: 'is not a country that is known by this name or code' };
    const named = marketText.toLowerCase();
    const byName =
      marketText === ''
        ? undefined
        : Object.entries(markets).find(([id, { name }]) => id === named || name.toLowerCase() === named)?.[0];
    const byCountry =
      country === ''
        ? undefined
        : (inOrder(markets).find(([, market]) => market.countries.includes(country))?.[0] ??
          inOrder(markets).find(([, market]) => market.elsewhere)?.[0]);
    const marketId = this.#only ?? byName ?? byCountry;
    if (marketId !== undefined && markets[marketId]) {
      const { name, countries, currency } = markets[marketId];
      return {
        ok: true,
        marketId,
        marketName: name,
        country: country || (countries.length === 1 ? countries[0]! : ''),
        currency,
        exponent: currencyExponent(currency),
      };
    }
    if (country !== '') return { ok: false, field: 'country', reason: `no market sells to ${country}` };
    if (marketText !== '') return { ok: false, field: 'market', reason: 'is not the name or id of a market' };
    return { ok: false, field: 'country', reason: 'is empty' };
  }

  optionOf(text: string, marketId: string): string {
    if (text === '') return '';
    let known = this.#options.get(marketId);
    if (!known) this.#options.set(marketId, (known = new Map()));
    let option = known.get(text);
    if (option === undefined) {
      option = this.#optionNames.get(`${marketId}\n${text.toLowerCase()}`) ?? text.slice(0, 40);
      if (known.size < 10_000) known.set(text, option);
    }
    return option;
  }
}
