import { TextReader } from '../../core/tabular/encoding.ts';
import { CsvReader } from '../../core/tabular/csv-reader.ts';
import type { RowFault } from '../../core/imports/order-rows.ts';
import type { Policy } from '../../core/policy/types.ts';
import { checkStaged, compareStaged, type Compared } from './check-staged.ts';
import { ordersKeptFrom } from '../orders/aggregate-orders.ts';
import { shopperHasher } from '../orders/shopper-hash.ts';
import { addRejections, findRun, noteAlive, noteRun, type FullImportRun } from './import-store.ts';
import { orderReader, rowsAhead, type RowReader, type RowSink } from './read-orders.ts';
import { productReader } from './read-products.ts';
import { orderColumns } from '../orders/order-columns.ts';
import { dropStaging, makeStaging, productColumns, StagedRows } from './staging.ts';

const mostOrders = 5_000_000;
const cancelled = 'The import was cancelled. Nothing was changed.';

/** Thrown into the reading when the import has been cancelled or is over its bounds. */
export class ReadingStopped extends Error {}

/**
 * Reads a file as it comes in, into the import's own table, and compares that with what is there: the dry run. Memory stays
 * bounded however long the file is. When the file breaks off nothing is left behind.
 * @returns the import as checked @throws ReadingStopped when it was cancelled meanwhile
 */
export async function readFileInto(
  run: FullImportRun,
  policy: Policy,
  body: AsyncIterable<Uint8Array>,
): Promise<FullImportRun> {
  // Bringing a large file together can take a while in which nothing else is noted.
  const heartbeat = setInterval(() => void noteAlive(run.id).catch(() => {}), 5000);
  try {
    await makeStaging(run.id, run.kind);
    const compared = await readRows(run, policy, body);
    await checkStaged((await findRun(run.id))!, compared);
    const checked = (await findRun(run.id))!;
    if (checked.state !== 'checked') throw new ReadingStopped(cancelled);
    return checked;
  } catch (error) {
    await dropStaging(run.id);
    await noteRun(run.id, 'reading', {
      state: 'failed',
      problem: error instanceof ReadingStopped ? error.message : 'The file broke off before it was read to its end.',
    });
    throw error;
  } finally {
    clearInterval(heartbeat);
  }
}

async function readRows(run: FullImportRun, policy: Policy, body: AsyncIterable<Uint8Array>): Promise<Compared> {
  const { id, kind, mapping } = run;
  // One batch is loaded while the next is read.
  let [batch, spare] = [new StagedRows(), new StagedRows()];
  /** of the row staged last */
  let position = 0;
  const compared: Compared = { known: 0, changed: 0 };
  let loadedThrough = 0;
  let faults: RowFault[] = [];
  let rejected = 0;
  let rows = 0;
  let bytes = 0;
  let loading: Promise<unknown> = Promise.resolve();
  const sink: RowSink = {
    staged: (cells) => {
      batch.add(`${++position}\t${cells}`);
    },
    rejected: (fault) => void faults.push(fault),
  };
  const reader: RowReader =
    kind === 'orders'
      ? orderReader(run, policy, { hash: await shopperHasher(), keptFrom: await ordersKeptFrom() }, sink)
      : await productReader(run, policy, sink);
  const send = async () => {
    await loading;
    loading = Promise.all([loadAndCompare(batch, position), addRejections(id, faults, rejected), note()]);
    [batch, spare] = [spare, batch];
    rejected += faults.length;
    faults = [];
    // A failure is thrown where the batch is awaited; this keeps it from counting as unhandled until then.
    loading.catch(() => {});
  };
  /** The database compares while the next rows are read. */
  const loadAndCompare = async (rowsReady: StagedRows, through: number) => {
    await rowsReady.load(id, kind === 'orders' ? orderColumns : productColumns);
    if (kind !== 'orders' || mapping.rows !== 'orders') return;
    const found = await compareStaged(id, loadedThrough, through);
    loadedThrough = through;
    compared.known += found.known;
    compared.changed += found.changed;
  };
  const note = async () => {
    if (position > mostOrders)
      throw new ReadingStopped(
        `The file has more than ${mostOrders} ${kind}. Nothing was changed. Split it and import the parts one after the other.`,
      );
    const goesOn = await noteRun(id, 'reading', {
      bytes_read: bytes,
      rows_read: rows,
      staged: position,
      rejected,
      rounded: reader.rounded(),
    });
    if (!goesOn) throw new ReadingStopped(cancelled);
  };
  let waiting: [string[], number][] = [];
  let heading = true;
  const csv = new CsvReader(mapping.delimiter, {
    row: (fields, line) => {
      if (!heading) return void waiting.push([fields, line]);
      heading = false;
      if (fields.map((name) => name.trim()).join('\n') !== run.heading.join('\n'))
        throw new ReadingStopped(
          'The heading of the file is not the one that was looked at. Nothing was changed. Choose the file again.',
        );
    },
    fault: (reason, line) => void faults.push({ line, column: '', reason, number: null }),
  });
  const takeRows = async () => {
    const taken = waiting;
    waiting = [];
    rows += taken.length;
    for (let first = 0; first < taken.length; first += rowsAhead) {
      const some = taken.slice(first, first + rowsAhead);
      await reader.ahead?.(some);
      for (const [fields, line] of some) {
        reader.row(fields, line);
        if (batch.full) await send();
      }
    }
  };
  const text = new TextReader(mapping.encoding);
  let noted = performance.now();
  for await (const chunk of body) {
    bytes += chunk.byteLength;
    csv.push(text.read(chunk, true));
    await takeRows();
    if (faults.length >= 2000 || performance.now() - noted > 1000) {
      noted = performance.now();
      await send();
    }
  }
  csv.push(text.read(new Uint8Array(), false));
  csv.end();
  await takeRows();
  reader.end();
  await send();
  await loading;
  return compared;
}
