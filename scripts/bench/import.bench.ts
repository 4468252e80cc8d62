import { createReadStream, createWriteStream, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import mysql, { type Connection } from 'mysql2/promise';
import { orderColumns } from '../../src/server/orders/order-columns.ts';
import { freshDatabase, startApplication, startTestDatabase } from '../../tests/support/application.ts';
import { median, type Bar } from './bar.ts';
import { importFile, rows, writeExport, type ImportTimes } from './orders/million-orders.ts';

/** A million rows through the whole import, against the database loading the same rows clean; each twice, in turns. */
export async function bars(): Promise<Bar[]> {
  const file = join(tmpdir(), 'summant-bench-orders.csv');
  const clean = join(tmpdir(), 'summant-bench-orders.tsv');
  await writeExport(file);
  const database = await startTestDatabase('bench');
  const name = 'summant_bench';
  const url = await freshDatabase(database.url, name);
  const application = await startApplication({ DATABASE_URL: url }, ['--empty']);
  const connection = await mysql.createConnection({ uri: url, supportBigNumbers: true });
  try {
    await fetch(`${application.address}/api/demo`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: '{}',
    });
    const imports: ImportTimes[] = [];
    const loads: number[] = [];
    for (let run = 0; run < 2; run++) {
      await connection.query('DELETE FROM past_order');
      imports.push(await importFile(application.address, application.process.pid!, file));
      if (run === 0) await writeClean(connection, clean);
      loads.push(await loadClean(connection, clean));
    }
    const whole = median(imports.map((times) => times.whole));
    const load = median(loads);
    const peak = Math.max(...imports.map((times) => times.peak));
    const silent = Math.max(...imports.map((times) => times.longestSilence));
    return [
      {
        name: `import of ${rows} rows, checked and taken over`,
        measured: `${(whole / load).toFixed(2)}× of LOAD DATA (${whole.toFixed(1)} s, ${median(imports.map((times) => times.check)).toFixed(1)} s of it the dry run, against ${load.toFixed(1)} s)`,
        required: '≤ 3×',
        held: whole <= 3 * load,
      },
      {
        name: '  memory of the process throughout',
        measured: `${peak.toFixed(0)} MB`,
        required: '< 300 MB',
        held: peak < 300,
      },
      {
        name: '  longest wait for another page meanwhile',
        measured: `${silent.toFixed(0)} ms`,
        required: '< 1000 ms',
        held: silent < 1000,
      },
    ];
  } finally {
    await connection.end();
    await application.stop();
    await database.stop();
    for (const path of [file, clean]) rmSync(path, { force: true });
  }
}

/** The imported orders as the database itself would want them. */
async function writeClean(connection: Connection, file: string): Promise<void> {
  const stream = createWriteStream(file);
  const columns = orderColumns.map((column) => {
    if (column === 'customer_hash') return 'HEX(customer_hash)';
    if (column === 'placed_at') return "DATE_FORMAT(placed_at, '%Y-%m-%d %H:%i:%s')";
    return column;
  });
  let after = '';
  for (;;) {
    const [found] = await connection.query({
      sql: `SELECT ${columns.join(', ')} FROM past_order WHERE order_number > ? ORDER BY order_number LIMIT 50000`,
      values: [after],
      rowsAsArray: true,
    });
    const batch = found as unknown as unknown[][];
    if (batch.length === 0) break;
    after = String(batch.at(-1)![0]);
    stream.write(
      batch.map((row) => row.map((value) => (value === null ? '\\N' : String(value))).join('\t')).join('\n') + '\n',
    );
  }
  await new Promise<void>((resolve) => stream.end(() => resolve()));
}

/** Seconds that LOAD DATA LOCAL INFILE takes for the clean rows, into a table like that of the orders. */
async function loadClean(connection: Connection, file: string): Promise<number> {
  await connection.query('DROP TABLE IF EXISTS loaded_clean');
  await connection.query('CREATE TABLE loaded_clean LIKE past_order');
  const targets = orderColumns.map((column) => (column === 'customer_hash' ? '@customer' : column)).join(', ');
  const began = performance.now();
  await connection.query({
    sql: `LOAD DATA LOCAL INFILE 'rows' INTO TABLE loaded_clean CHARACTER SET utf8mb4 (${targets}) SET customer_hash = UNHEX(@customer)`,
    infileStreamFactory: () => createReadStream(file, { highWaterMark: 1 << 20 }),
  });
  const seconds = (performance.now() - began) / 1000;
  const [[count]] = (await connection.query('SELECT COUNT(*) AS rows_loaded FROM loaded_clean')) as unknown as [
    [{ rows_loaded: number }],
  ];
  if (Number(count.rows_loaded) !== rows) throw new Error(`${count.rows_loaded} rows were loaded`);
  return seconds;
}
