import type { RowDataPacket } from 'mysql2/promise';
import { database } from '../database/pool.ts';
import { otherRow } from '../../core/imports/order-rows.ts';
import { addRejections, noteRun, type FullImportRun } from './import-store.ts';
import { stagedTable } from './staging.ts';

/** Columns of which an empty text means that the file does not say. */
const texts = ['region', 'postcode', 'option_id', 'code', 'goods_lines'];
const figures = [
  'discount_minor',
  'tax_minor',
  'delivery_minor',
  'items',
  'weight_grams',
  'returning_shopper',
  'customer_hash',
];
const always = ['placed_at', 'market_id', 'country', 'currency', 'goods_minor'];

/** Whether a staged order `s` says anything else than the order `p` that is there. */
export const differs = [
  ...always.map((column) => `p.${column} <> s.${column}`),
  ...figures.map((column) => `(s.${column} IS NOT NULL AND NOT (p.${column} <=> s.${column}))`),
  ...texts.map((column) => `(s.${column} <> '' AND p.${column} <> s.${column})`),
].join(' OR ');

/** What an order becomes when it is there already: what the file does not say stays. */
export const whenThere = [
  ...always.map((column) => `past_order.${column} = VALUES(${column})`),
  ...figures.map((column) => `past_order.${column} = COALESCE(VALUES(${column}), past_order.${column})`),
  ...texts.map(
    (column) => `past_order.${column} = IF(VALUES(${column}) = '', past_order.${column}, VALUES(${column}))`,
  ),
].join(', ');

/**
 * Brings together what stands apart in the file, and counts what would be new, changed and the same.
 * @param compared of orders that need no bringing together, found while the file was read
 */
export async function checkStaged(run: FullImportRun, compared: Compared): Promise<void> {
  const table = stagedTable(run.id);
  if (run.kind === 'products') {
    const [[counts]] = await database().query<RowDataPacket[]>(
      `SELECT COUNT(*) AS staged, COALESCE(SUM(outcome = 'fresh'), 0) AS fresh, COALESCE(SUM(outcome = 'changed'), 0) AS changed FROM ${table}`,
    );
    return finish(run, Number(counts!.staged), Number(counts!.fresh), Number(counts!.changed));
  }
  if (run.mapping.rows === 'orders') return finish(run, run.staged, run.staged - compared.known, compared.changed);
  await joinParts(run, table);
  const [[all]] = await database().query<RowDataPacket[]>(
    `SELECT COUNT(*) AS staged, COALESCE(MAX(position), 0) AS last FROM ${table}`,
  );
  const there = await compareStaged(run.id, 0, Number(all!.last));
  const staged = Number(all!.staged);
  return finish(run, staged, staged - there.known, there.changed);
}

/** How many of the orders staged at positions in (from, through] are there already, and how many of those differ. */
export async function compareStaged(id: number, from: number, through: number): Promise<Compared> {
  const [[there]] = await database().query<RowDataPacket[]>(
    `SELECT COUNT(*) AS known, COALESCE(SUM(${differs}), 0) AS changed FROM ${stagedTable(id)} s STRAIGHT_JOIN past_order p FORCE INDEX (PRIMARY) ON p.order_number = s.order_number WHERE s.position > ? AND s.position <= ?`,
    [from, through],
  );
  return { known: Number(there!.known), changed: Number(there!.changed) };
}

export interface Compared {
  known: number;
  changed: number;
}

async function finish(run: FullImportRun, staged: number, fresh: number, changed: number): Promise<void> {
  const [[refused]] = await database().query<RowDataPacket[]>(
    'SELECT COUNT(*) AS count FROM import_rejection WHERE import_id = ?',
    [run.id],
  );
  await noteRun(run.id, 'reading', {
    state: 'checked',
    worker: null,
    staged,
    fresh,
    changed,
    same: staged - fresh - changed,
    rejected: Number(refused!.count),
    bytes_read: run.fileBytes,
  });
}

/** Orders whose rows stand apart become one; those of which a row was refused are left out whole. */
async function joinParts(run: FullImportRun, table: string): Promise<void> {
  const connection = await database().getConnection();
  try {
    const [[apart]] = await connection.query<RowDataPacket[]>(`SELECT COUNT(*) AS parts FROM ${table} WHERE part > 0`);
    if (Number(apart!.parts) === 0) return;
    await connection.query(`ALTER TABLE ${table} ADD INDEX IF NOT EXISTS by_number (order_number)`);
    const [left] = await connection.query<RowDataPacket[]>(
      `SELECT s.line, s.further_lines, s.order_number FROM ${table} s JOIN (SELECT DISTINCT order_number FROM ${table} WHERE part = 2) r ON r.order_number = s.order_number WHERE s.part < 2`,
    );
    const faults = left.flatMap((row) =>
      [Number(row.line), ...String(row.further_lines).split(' ').filter(Boolean).map(Number)].map((line) => ({
        line,
        column: '',
        reason: otherRow,
        number: String(row.order_number),
      })),
    );
    await addRejections(run.id, faults, 0, connection);
    await connection.query(
      `DELETE s FROM ${table} s JOIN (SELECT DISTINCT order_number FROM ${table} WHERE part = 2) r ON r.order_number = s.order_number`,
    );
    await connection.query('SET SESSION group_concat_max_len = 16000000, max_statement_time = 0');
    const sums = run.mapping.columns.goods === undefined ? 's.goods_minor = s.goods_minor + r.goods,' : '';
    const items = run.mapping.columns.items === undefined ? 's.items = s.items + r.items,' : '';
    await connection.query(
      `UPDATE ${table} s JOIN (SELECT order_number, SUM(goods_minor) AS goods, SUM(items) AS items, GROUP_CONCAT(goods_lines ORDER BY position SEPARATOR '') AS goods_lines FROM ${table} WHERE part = 1 GROUP BY order_number) r ON r.order_number = s.order_number SET ${sums} ${items} s.goods_lines = CONCAT(s.goods_lines, r.goods_lines) WHERE s.part = 0`,
    );
    await connection.query(`DELETE FROM ${table} WHERE part = 1`);
  } finally {
    // The session's setting goes with the connection.
    connection.destroy();
  }
}
