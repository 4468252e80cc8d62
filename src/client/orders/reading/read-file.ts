import { countryCodes } from '../../../core/geography/country.ts';
import { currencyOfCountry } from '../../../core/geography/country-currency.ts';
import type { ImportMapping } from '../../../core/imports/mapping.ts';
import { OrderRows } from '../../../core/imports/order-rows.ts';
import { MarketCounter, type MarketProposal } from '../../../core/imports/propose-markets.ts';
import { emptyPolicy } from '../../../core/policy/empty.ts';
import type { Market, Policy } from '../../../core/policy/types.ts';
import { CollectedOrders } from '../../../core/reading/collected-orders.ts';
import type { ReadableOrders } from '../../../core/reading/readable-orders.ts';
import { CsvReader } from '../../../core/tabular/csv-reader.ts';
import { TextReader } from '../../../core/tabular/encoding.ts';
import { localTime } from '../../../core/time/time-zone-clock.ts';
import { proposeFromFile } from '../propose-from-file.ts';

/** The orders of a file, and how many of its rows are none. */
export interface OrdersOfFile {
  orders: ReadableOrders[];
  rows: number;
  refused: number;
}

/** More orders than an import takes are not read. */
const mostOrders = 5_000_000;
/** So many rows mostly tell in which currency each country pays. */
const firstLook = 20_000;

type Currencies = ReadonlyMap<string, string>;

/**
 * Reads the orders of a file into columns, as an import of it would read them, in a store that has no market yet: each country is
 * taken to be paid for in the currency that most of its orders are in. A file is read once more where its beginning said otherwise.
 *
 * @param timeZone of the store @param progress told the share of the file that has been read @throws when it cannot be read
 */
export async function readFileOfOrders(
  file: File,
  mapping: ImportMapping,
  timeZone: string,
  progress: (share: number) => void,
): Promise<OrdersOfFile> {
  const needed = onlyRead(mapping);
  const begin = await proposeFromFile(file, needed, new AbortController().signal, firstLook);
  const assumed = new Map([...usualCurrencies(), ...currenciesOf(begin)]);
  const { proposal, ...read } = await readOnce(file, needed, policyOf(assumed, timeZone), progress);
  const found = currenciesOf(proposal);
  if ([...found].every(([country, currency]) => assumed.get(country) === currency)) return read;
  const { proposal: _, ...again } = await readOnce(file, needed, policyOf(found, timeZone), progress);
  return again;
}

/** Columns that say nothing of what delivery costs are not looked at. */
function onlyRead(mapping: ImportMapping): ImportMapping {
  const { tax: _tax, customer: _customer, shopper: _shopper, ...columns } = mapping.columns;
  return { ...mapping, columns };
}

async function readOnce(
  file: File,
  mapping: ImportMapping,
  policy: Policy,
  progress: (share: number) => void,
): Promise<OrdersOfFile & { proposal: MarketProposal }> {
  const { timeZone } = policy.store;
  const collected = new CollectedOrders((instant) => localTime(timeZone, instant).day);
  const counter = new MarketCounter(mapping);
  const text = new TextReader(mapping.encoding);
  let orders: OrderRows | null = null;
  let [rows, refused] = [0, 0];
  const csv = new CsvReader(mapping.delimiter, {
    row: (fields, line) => {
      if (orders) {
        rows++;
        counter.row(fields);
        orders.row(fields, line);
      } else
        orders = new OrderRows(policy, mapping, fields, {
          order: (order) => collected.add(order),
          fault: () => void refused++,
        });
    },
    fault: () => void refused++,
  });
  const reader = file.stream().getReader();
  let bytes = 0;
  while (collected.count < mostOrders) {
    const { done, value } = await reader.read();
    if (done) break;
    csv.push(text.read(value, true));
    progress((bytes += value.byteLength) / file.size);
  }
  await reader.cancel();
  csv.push(text.read(new Uint8Array(), false));
  csv.end();
  (orders as OrderRows | null)?.flush();
  return { orders: collected.done(), rows, refused, proposal: counter.proposal() };
}

const currenciesOf = ({ markets }: MarketProposal): Currencies =>
  new Map(markets.flatMap(({ currency, countries }) => countries.map((country) => [country, currency] as const)));

const usualCurrencies = (): [country: string, currency: string][] =>
  countryCodes.flatMap((country) => {
    const currency = currencyOfCountry(country);
    return currency === undefined ? [] : [[country, currency]];
  });

/** A policy with a market for each currency, by which rows find theirs. */
function policyOf(currencies: Currencies, timeZone: string): Policy {
  const markets: Policy['markets'] = {};
  for (const [country, currency] of currencies) {
    const market = (markets[currency.toLowerCase()] ??= marketIn(currency));
    market.countries.push(country);
  }
  const empty = emptyPolicy();
  return { ...empty, store: { ...empty.store, timeZone }, markets };
}

const marketIn = (currency: string): Market => ({
  order: 1,
  name: currency,
  countries: [],
  currency,
  languages: ['en'],
  tax: { prices: 'withTax', delivery: '0', classes: { standard: '0' } },
  preselect: 'first',
});
