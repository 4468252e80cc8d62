import type { ImportMapping } from '../../core/imports/mapping.ts';
import { MarketCounter, type MarketProposal } from '../../core/imports/propose-markets.ts';
import { CsvReader } from '../../core/tabular/csv-reader.ts';
import { TextReader } from '../../core/tabular/encoding.ts';

/** As many rows as tell where a store sells; a longer file is not read to its end. */
const enoughRows = 500_000;

/**
 * Reads a file of orders for the countries and currencies in it, and proposes markets.
 *
 * @param most rows are read @throws when it cannot be read
 */
export async function proposeFromFile(
  file: File,
  mapping: Pick<ImportMapping, 'encoding' | 'delimiter' | 'columns'>,
  signal: AbortSignal,
  most = enoughRows,
): Promise<MarketProposal> {
  const counter = new MarketCounter(mapping);
  const text = new TextReader(mapping.encoding);
  let rows = 0;
  const csv = new CsvReader(mapping.delimiter, {
    row: (fields) => {
      if (rows++ > 0) counter.row(fields);
    },
    fault: () => undefined,
  });
  const reader = file.stream().getReader();
  while (rows < most && !signal.aborted) {
    const { done, value } = await reader.read();
    if (done) break;
    csv.push(text.read(value, true));
  }
  await reader.cancel();
  if (rows < most) csv.end();
  return counter.proposal();
}
