import { randomUUID } from 'node:crypto';
import type { PoolConnection, ResultSetHeader, RowDataPacket } from 'mysql2/promise';
import { database, inTransaction } from '../database/pool.ts';
import { isUnavailable } from '../database/unavailable.ts';
import { changingQuotes } from '../current-state.ts';
import { noteCatalogueChange } from '../products/catalogue-revision.ts';
import { readDraft } from '../draft/draft-store.ts';
import { log } from '../log.ts';
import { packChangedMonths, touchMonths } from '../orders/order-months.ts';
import { differs, whenThere } from './check-staged.ts';
import { findRun, type FullImportRun } from './import-store.ts';
import { orderColumns } from '../orders/order-columns.ts';
import { dropStaging, firstsTable, replacedTable, stagedTable } from './staging.ts';

/** Orders applied in one transaction. */
const batchOrders = 20_000;
/** A process that has not renewed its lease of an import for so long is taken for dead, and another resumes it. Seconds. */
const leaseSeconds = 10;

const me = randomUUID();
let running: Promise<void> | null = null;

/**
 * Resumes every import that has to go on: one just confirmed, or one whose process died. Several processes may do this at
 * once; each import is leased by one.
 */
export function resumeImports(): Promise<void> {
  running ??= work()
    .catch((error: unknown) => {
      if (!isUnavailable(error))
        log.error(
          { err: error instanceof Error ? { message: error.message, stack: error.stack } : String(error) },
          'import stopped',
        );
    })
    .finally(() => (running = null));
  return running;
}

let watch: ReturnType<typeof setInterval> | null = null;

/** Looks after unfinished imports from now on. */
export function watchImports(): void {
  watch ??= setInterval(() => void resumeImports(), 3000).unref();
}

async function work(): Promise<void> {
  await forgetBrokenOff();
  for (let id = await leaseImport(); id !== null; id = await leaseImport()) await finish(id);
}

/** Files that broke off because their process died: nothing of them has been applied. */
async function forgetBrokenOff(): Promise<void> {
  const [rows] = await database().query<RowDataPacket[]>(
    "SELECT id FROM import_run WHERE state = 'reading' AND alive_at < DATE_SUB(UTC_TIMESTAMP(3), INTERVAL 60 SECOND)",
  );
  for (const row of rows) {
    await database().query(
      "UPDATE import_run SET state = 'failed', problem = 'Summant was stopped while the file was read. Nothing was changed; choose the file again.' WHERE id = ? AND state = 'reading'",
      [row.id],
    );
    await dropStaging(Number(row.id));
  }
  // What nobody has confirmed within a day is cleared away; the file can be chosen again.
  const [old] = await database().query<RowDataPacket[]>(
    "SELECT id FROM import_run WHERE state = 'checked' AND alive_at < DATE_SUB(UTC_TIMESTAMP(3), INTERVAL 24 HOUR)",
  );
  for (const row of old) {
    const [result] = await database().query<ResultSetHeader>(
      "UPDATE import_run SET state = 'cancelled', problem = 'Nobody confirmed it within a day, so it was cleared away. Nothing was changed; choose the file again.' WHERE id = ? AND state = 'checked'",
      [row.id],
    );
    if (result.affectedRows === 1) await dropStaging(Number(row.id));
  }
}

async function leaseImport(): Promise<number | null> {
  return inTransaction(async (connection) => {
    const [rows] = await connection.query<RowDataPacket[]>(
      "SELECT id FROM import_run WHERE state IN ('applying', 'reverting') AND (worker IS NULL OR worker = ? OR alive_at < DATE_SUB(UTC_TIMESTAMP(3), INTERVAL ? SECOND)) ORDER BY id LIMIT 1 FOR UPDATE SKIP LOCKED",
      [me, leaseSeconds],
    );
    if (!rows[0]) return null;
    await connection.query('UPDATE import_run SET worker = ?, alive_at = UTC_TIMESTAMP(3) WHERE id = ?', [
      me,
      rows[0].id,
    ]);
    return Number(rows[0].id);
  });
}

class LeaseLost extends Error {}

/** Does one import to its end. */
async function finish(id: number): Promise<void> {
  try {
    for (;;) {
      const run = await findRun(id);
      if (!run || run.worker !== me) return;
      if (run.state === 'applying') {
        if (await applyStep(run)) break;
      } else if (run.state === 'reverting') {
        if (await revertStep(run)) break;
      } else return;
    }
    await dropStaging(id);
    const { policy } = await readDraft();
    await packChangedMonths(policy.store.timeZone);
  } catch (error) {
    // Another process has taken the import over, or it was cancelled: the next look tells.
    if (error instanceof LeaseLost) return;
    if (!isUnavailable(error)) await giveUp(id);
    throw error;
  }
}

/** What cannot be applied is reverted; an import that cannot even be reverted is left alone, and says so. */
async function giveUp(id: number): Promise<void> {
  await database().query(
    "UPDATE import_run SET problem = IF(state = 'applying', 'It could not be taken over and was taken back. The log of the server says why.', 'It could not be taken back whole. The log of the server says why.'), state = IF(state = 'applying', 'reverting', 'failed') WHERE id = ? AND state IN ('applying', 'reverting')",
    [id],
  );
}

/** In the transaction of a step: says how far it has come and renews the lease. @throws LeaseLost when the import is another's or in another state */
async function stepTo(connection: PoolConnection, run: FullImportRun, through: number, change = ''): Promise<void> {
  const [result] = await connection.query<ResultSetHeader>(
    `UPDATE import_run SET applied_through = ?, ${change} alive_at = UTC_TIMESTAMP(3) WHERE id = ? AND state = ? AND worker = ? AND applied_through = ?`,
    [through, run.id, run.state, me, run.applied],
  );
  if (result.affectedRows !== 1) throw new LeaseLost();
}

const list = orderColumns.join(', ');
const listOf = (alias: string) => orderColumns.map((column) => `${alias}.${column}`).join(', ');
const asKept = [...orderColumns, 'import_id'].map((column) => `${column} = VALUES(${column})`).join(', ');
const monthOf = (alias: string) =>
  `SELECT DISTINCT ${alias}.market_id, ${alias}.currency, DATE_FORMAT(${alias}.placed_at, '%Y-%m-01'), 1`;

/** Applies the next step. @returns true when all has been applied */
async function applyStep(run: FullImportRun): Promise<boolean> {
  const table = stagedTable(run.id);
  if (run.kind === 'products') return applyProducts(run);
  if (run.fresh + run.changed === 0 && !(await othersSince(run))) {
    await inTransaction((connection) => stepTo(connection, run, run.staged, "state = 'done',"));
    return true;
  }
  if (!run.prepared) {
    await keepReplaced(run);
    return false;
  }
  const [[next]] = await database().query<RowDataPacket[]>(
    `SELECT MAX(position) AS last FROM (SELECT position FROM ${table} WHERE position > ? ORDER BY position LIMIT ?) batch`,
    [run.applied, batchOrders],
  );
  if (next!.last === null) {
    await deriveReturning(run);
    await inTransaction((connection) => stepTo(connection, run, run.applied, "state = 'done',"));
    return true;
  }
  const last = Number(next!.last);
  await inTransaction(async (connection) => {
    await stepTo(connection, run, last);
    const range = [run.applied, last];
    if (run.changed > 0)
      await touchMonths(
        connection,
        `${monthOf('p')} FROM ${table} s STRAIGHT_JOIN past_order p FORCE INDEX (PRIMARY) ON p.order_number = s.order_number WHERE s.position > ? AND s.position <= ?`,
        range,
      );
    await connection.query(
      `INSERT INTO past_order (${list}, import_id) SELECT ${list}, ? FROM ${table} WHERE position > ? AND position <= ? ON DUPLICATE KEY UPDATE ${whenThere}`,
      [run.id, ...range],
    );
    await touchMonths(connection, `${monthOf('s')} FROM ${table} s WHERE s.position > ? AND s.position <= ?`, range);
  });
  return false;
}

/** Whether another import may have changed something since this one was compared with what is there. */
async function othersSince(run: FullImportRun): Promise<boolean> {
  const [[others]] = await database().query<RowDataPacket[]>(
    "SELECT EXISTS(SELECT 1 FROM import_run o JOIN import_run r ON r.id = ? WHERE o.id <> r.id AND o.state IN ('applying', 'reverting', 'done', 'cancelled') AND o.alive_at >= r.made_at) AS others",
    [run.id],
  );
  return Number(others!.others) === 1;
}

/** Keeps the orders that will be changed as they are now. */
async function keepReplaced(run: FullImportRun): Promise<void> {
  const kept = replacedTable(run.id);
  await database().query(`DROP TABLE IF EXISTS ${kept}`);
  await database().query(`CREATE TABLE ${kept} LIKE past_order`);
  await inTransaction(async (connection) => {
    await connection.query(
      `INSERT INTO ${kept} (${list}, import_id) SELECT ${listOf('p')}, p.import_id FROM ${stagedTable(run.id)} s STRAIGHT_JOIN past_order p FORCE INDEX (PRIMARY) ON p.order_number = s.order_number WHERE ${differs}`,
    );
    await stepTo(connection, run, run.applied, 'prepared = TRUE,');
  });
}

async function applyProducts(run: FullImportRun): Promise<boolean> {
  await changingQuotes(async (connection) => {
    await stepTo(connection, run, run.staged, "state = 'done',");
    await connection.query(
      `INSERT INTO product (id, sku, name, details) SELECT id, sku, name, details FROM ${stagedTable(run.id)} WHERE outcome <> 'same' ON DUPLICATE KEY UPDATE name = VALUES(name), details = VALUES(details)`,
    );
    await noteCatalogueChange(connection);
  });
  return true;
}

/**
 * Where the file says who ordered but not whether for the first time: an order is a returning shopper's when an earlier one
 * of the same customer is known. Batch by batch; doing it again changes nothing.
 */
async function deriveReturning(run: FullImportRun): Promise<void> {
  if (run.mapping.columns.customer === undefined || run.mapping.columns.shopper !== undefined) return;
  const firsts = firstsTable(run.id);
  await database().query(`DROP TABLE IF EXISTS ${firsts}`);
  await database().query(
    `CREATE TABLE ${firsts} (PRIMARY KEY (customer_hash)) AS SELECT customer_hash, MIN(placed_at) AS placed_at FROM past_order WHERE customer_hash IS NOT NULL GROUP BY customer_hash`,
  );
  const [[bounds]] = await database().query<RowDataPacket[]>(
    `SELECT MAX(position) AS last FROM ${stagedTable(run.id)}`,
  );
  for (let from = 0; from < Number(bounds!.last ?? 0); from += batchOrders) {
    await inTransaction(async (connection) => {
      const range = [from, from + batchOrders];
      await stepTo(connection, run, run.applied);
      const [result] = await connection.query<ResultSetHeader>(
        `UPDATE ${stagedTable(run.id)} s STRAIGHT_JOIN past_order p FORCE INDEX (PRIMARY) ON p.order_number = s.order_number JOIN ${firsts} f ON f.customer_hash = p.customer_hash SET p.returning_shopper = p.placed_at > f.placed_at WHERE s.position > ? AND s.position <= ?`,
        range,
      );
      if (result.changedRows > 0)
        await touchMonths(
          connection,
          `${monthOf('s')} FROM ${stagedTable(run.id)} s WHERE s.position > ? AND s.position <= ?`,
          range,
        );
    });
  }
  await database().query(`DROP TABLE IF EXISTS ${firsts}`);
}

/** Reverts the last step that is applied. @returns true when everything is as it was before the import */
async function revertStep(run: FullImportRun): Promise<boolean> {
  const table = stagedTable(run.id);
  if (run.applied === 0) {
    await inTransaction(async (connection) => {
      await stepTo(connection, run, 0, "state = 'cancelled',");
      if (!run.prepared) return;
      await connection.query(
        // Not put in the place of the whole row: the arm of an order is nothing that a file says.
        `INSERT INTO past_order (${list}, import_id) SELECT ${list}, import_id FROM ${replacedTable(run.id)} ON DUPLICATE KEY UPDATE ${asKept}`,
      );
      await touchMonths(connection, `${monthOf('r')} FROM ${replacedTable(run.id)} r`, []);
    });
    return true;
  }
  const from = Math.max(0, run.applied - batchOrders);
  await inTransaction(async (connection) => {
    await stepTo(connection, run, from);
    const range = [from, run.applied];
    await touchMonths(connection, `${monthOf('s')} FROM ${table} s WHERE s.position > ? AND s.position <= ?`, range);
    await connection.query(
      `DELETE p FROM ${table} s STRAIGHT_JOIN past_order p FORCE INDEX (PRIMARY) ON p.order_number = s.order_number WHERE s.position > ? AND s.position <= ? AND p.import_id = ?`,
      [...range, run.id],
    );
  });
  return false;
}
