import { addProposedMarkets } from '../../edits/market-edits.ts';
import type { ImportMapping } from '../../../core/imports/mapping.ts';
import { OrderRows } from '../../../core/imports/order-rows.ts';
import { emptyPolicy } from '../../../core/policy/empty.ts';
import { withPatches } from '../../../core/policy/patch.ts';
import type { Policy } from '../../../core/policy/types.ts';
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

/**
 * Reads the orders of a file into columns, as an import of it would read them, in a store that has no market yet: each country is
 * taken to be paid for in the currency that most of its orders are in.
 *
 * @param timeZone of the store @param progress told the share of the file that has been read @throws when it cannot be read
 */
export async function readFileOfOrders(
  file: File,
  mapping: ImportMapping,
  timeZone: string,
  progress: (share: number) => void,
): Promise<OrdersOfFile> {
  const { markets } = await proposeFromFile(file, mapping, new AbortController().signal);
  const policy = policyOf(markets, timeZone);
  const collected = new CollectedOrders((instant) => localTime(timeZone, instant).day);
  const text = new TextReader(mapping.encoding);
  let rows: OrderRows | null = null;
  let [read, refused] = [0, 0];
  const csv = new CsvReader(mapping.delimiter, {
    row: (fields, line) => {
      if (rows) {
        read++;
        rows.row(fields, line);
      } else
        rows = new OrderRows(policy, mapping, fields, {
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
  (rows as OrderRows | null)?.flush();
  return { orders: collected.done(), rows: read, refused };
}

/** A policy with those markets alone, by which rows find theirs. */
function policyOf(markets: Parameters<typeof addProposedMarkets>[0], timeZone: string): Policy {
  const empty = emptyPolicy();
  const policy = { ...empty, store: { ...empty.store, timeZone } };
  return withPatches(policy, [addProposedMarkets(markets, (countries) => countries.join(' ').slice(0, 120))(policy)]);
}
