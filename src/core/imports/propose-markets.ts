import { countryByName } from '../geography/country-names.ts';
import { currencyOfCountry } from '../geography/country-currency.ts';
import { isCurrency } from '../money/currency.ts';
import type { ImportMapping } from './mapping.ts';

/** A market that orders of a file ask for: the countries paid for in one currency, the one with most orders first. */
export interface ProposedMarket {
  currency: string;
  countries: string[];
  orders: number;
}

/** What the rows of a file say of where a store sells. */
export interface MarketProposal {
  /** the one with most orders first */
  markets: ProposedMarket[];
  /** what stands for a country and is none, a few of them */
  unknown: string[];
  /** rows looked at */
  rows: number;
}

const mostUnknown = 5;

/** Of more different countries or currencies the further ones are not counted. */
const mostTexts = 10_000;

/** Counts the countries and currencies of a file's rows, to propose markets from them: in a store that has none yet. */
export class MarketCounter {
  /** country → currency → orders, as the file writes them */
  readonly #written = new Map<string, Map<string, number>>();
  readonly #country: number | undefined;
  readonly #currency: number | undefined;
  #texts = 0;
  #rows = 0;

  constructor({ columns }: Pick<ImportMapping, 'columns'>) {
    this.#country = columns.country;
    this.#currency = columns.currency;
  }

  row(fields: readonly string[]): void {
    this.#rows++;
    const country = fields[this.#country ?? -1] ?? '';
    const currency = fields[this.#currency ?? -1] ?? '';
    const known = this.#written.get(country);
    const orders = known?.get(currency);
    if (orders === undefined && this.#texts++ >= mostTexts) return;
    if (known) known.set(currency, (orders ?? 0) + 1);
    else this.#written.set(country, new Map([[currency, 1]]));
  }

  /** country → currency → orders, and what is no country */
  #read(): { counts: Map<string, Map<string, number>>; unknown: string[] } {
    const counts = new Map<string, Map<string, number>>();
    const unknown = new Set<string>();
    for (const [written, currencies] of this.#written) {
      const text = written.trim();
      const country = text === '' ? null : countryByName(text);
      if (country === null) {
        if (text !== '' && unknown.size < mostUnknown) unknown.add(text.slice(0, 60));
        continue;
      }
      for (const [writtenCurrency, orders] of currencies) {
        const stated = writtenCurrency.trim().toUpperCase();
        const currency = isCurrency(stated) ? stated : currencyOfCountry(country);
        if (currency === undefined) continue;
        const known = counts.get(country) ?? new Map<string, number>();
        known.set(currency, (known.get(currency) ?? 0) + orders);
        counts.set(country, known);
      }
    }
    return { counts, unknown: [...unknown] };
  }

  /** A country paid for in several currencies goes by the one that most of its orders are in. */
  proposal(): MarketProposal {
    const { counts, unknown } = this.#read();
    const byCurrency = new Map<string, { country: string; orders: number }[]>();
    for (const [country, currencies] of counts) {
      const [currency] = [...currencies].reduce((most, one) => (one[1] > most[1] ? one : most));
      const orders = [...currencies.values()].reduce((sum, count) => sum + count, 0);
      byCurrency.set(currency, [...(byCurrency.get(currency) ?? []), { country, orders }]);
    }
    const markets = [...byCurrency].map(([currency, countries]): ProposedMarket => {
      const ranked = [...countries].sort((a, b) => b.orders - a.orders);
      return {
        currency,
        countries: ranked.map(({ country }) => country),
        orders: ranked.reduce((sum, { orders }) => sum + orders, 0),
      };
    });
    return { markets: markets.sort((a, b) => b.orders - a.orders), unknown, rows: this.#rows };
  }
}
