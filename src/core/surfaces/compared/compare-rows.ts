import { toDecimal } from '../../money/decimal.ts';
import { rateSheetColumns, readRateSheet } from '../../options/rate-sheet.ts';
import type { Policy } from '../../policy/types.ts';
import { CsvReader } from '../../tabular/csv-reader.ts';
import { guessDelimiter } from '../../tabular/guess-delimiter.ts';
import { feedColumns, feedRows } from '../generated/feed.ts';
import type { Asked } from '../generated/generated.ts';
import type { DataLine } from './compared.ts';

/** So many rows that are not right are shown. */
const mostShown = 200;

/** Rows of data that are not right, and how many are. */
export interface ComparedRows {
  lines: DataLine[];
  right: number;
}

/** A row of a feed, as far as it states a price. */
export interface FeedPrice {
  product: string;
  zone: string;
  /** as it is written */
  price: string;
}

/** What earlier releases charged, the newest first. */
export type AskedUnder = readonly { release: number; asked: Asked }[];

/** Rows of a CSV file by the names of their columns; null where its heading lacks one. */
function csvRows<Column extends string>(text: string, columns: readonly Column[]): Record<Column, string>[] | null {
  const plain = text.replace(/^\ufeff/, '');
  let at: Map<string, number> | null = null;
  const rows: Record<Column, string>[] = [];
  const reader = new CsvReader(guessDelimiter(plain), {
    row(fields) {
      if (!at) at = new Map(fields.map((name, index) => [name.trim(), index]));
      else
        rows.push(
          Object.fromEntries(columns.map((name) => [name, fields[at!.get(name) ?? -1]?.trim() ?? ''])) as Record<
            Column,
            string
          >,
        );
    },
    fault: () => {},
  });
  reader.push(plain);
  reader.end();
  const heading = at as Map<string, number> | null;
  return heading && columns.every((name) => heading.has(name)) ? rows : null;
}

/** The prices of a feed as CSV that Summant made once; null for another file. */
export function feedPricesOfCsv(text: string): FeedPrice[] | null {
  const rows = csvRows(text, feedColumns);
  return rows && rows.map(({ id, zone, 'delivery price': price }) => ({ product: id, zone, price }));
}

/** Prices of a feed beside those of the newest release. @param history the newest first; at least one */
export function compareFeed(prices: readonly FeedPrice[], history: AskedUnder): ComparedRows {
  const expected = history.map(() => new Map<string, Map<string, string>>());
  const expectedIn = (index: number, marketId: string) => {
    const known = expected[index]!;
    let rows = known.get(marketId);
    if (!rows) known.set(marketId, (rows = pricesOf(history[index]!.asked, marketId)));
    return rows;
  };
  const lines: DataLine[] = [];
  let right = 0;
  for (const { product, zone, price } of prices) {
    const marketId = marketOf(history[0]!.asked.policy, zone);
    const key = `${zone}/${product}`;
    const now = marketId === null ? undefined : expectedIn(0, marketId).get(key);
    if (now === price) {
      right++;
      continue;
    }
    if (lines.length >= mostShown) continue;
    const line = `${key}: ${price}`;
    const at = { line, start: key.length + 2, end: line.length, kind: 'row' as const, marketId };
    if (now === undefined || marketId === null) {
      lines.push({ ...at, verdict: { verdict: 'unclear', because: 'nothingOfIt' } });
      continue;
    }
    const last = history.findIndex(
      ({ asked }, index) =>
        index > 0 && asked.policy.markets[marketId] && expectedIn(index, marketId).get(key) === price,
    );
    const since = last > 0 ? history[last - 1]!.release : null;
    lines.push({ ...at, verdict: { verdict: 'stale', should: [now], since } });
  }
  return { lines, right };
}

const marketOf = ({ zones }: Policy, zone: string): string | null =>
  Object.hasOwn(zones, zone) ? zones[zone]!.market : null;

function pricesOf(asked: Asked, marketId: string): Map<string, string> {
  const rows = new Map<string, string>();
  const { languages } = asked.policy.markets[marketId]!;
  for (const { product, zone, delivery, currency } of feedRows(asked, marketId, languages[0]!))
    rows.set(`${zone.id}/${product.id}`, toDecimal(delivery, currency));
  return rows;
}

/** A rate sheet beside the newest release; null for a file that is none. @param history the newest first; at least one */
export function compareRateSheet(
  text: string,
  history: readonly { release: number; policy: Policy }[],
): ComparedRows | null {
  const needed = rateSheetColumns.filter((column) => column !== 'name');
  if (!csvRows(text, needed)) return null;
  const readings = history.map(({ policy }) => readRateSheet(text, policy, null));
  const [now] = readings;
  const lines: DataLine[] = [];
  for (const option of now!.charges.keys()) {
    const last = readings.findIndex((reading, index) => index > 0 && reading.same.includes(option));
    const marketId = marketOf(history[0]!.policy, history[0]!.policy.options[option]!.zone);
    if (lines.length < mostShown)
      lines.push({
        line: option,
        start: 0,
        end: option.length,
        kind: 'row',
        marketId,
        verdict: { verdict: 'stale', should: [], since: last > 0 ? history[last - 1]!.release : null },
      });
  }
  for (const { line, column, reason } of now!.rejected) {
    const said = `line ${line}${column === '' ? '' : `, ${column}`}: ${reason}`;
    if (lines.length < mostShown)
      lines.push({
        line: said,
        start: 0,
        end: said.length,
        kind: 'row',
        marketId: null,
        verdict: { verdict: 'unclear', because: 'nothingOfIt' },
      });
  }
  return { lines, right: now!.same.length };
}
