import type { Pool, PoolConnection, ResultSetHeader, RowDataPacket } from 'mysql2/promise';
import { packColumns } from '../../core/orders/columns.ts';
import { packShipments } from '../../core/orders/replay/shipments.ts';
import { database, inTransaction, reading } from '../database/pool.ts';
import { readDraft } from '../draft/draft-store.ts';
import { readChoices } from '../store-choices.ts';
import { storeId } from '../store-id.ts';
import { aggregateOf, inColumns, joined, keptOrders, type MonthOf } from './orders-of-month.ts';

const dateText = (date: Date): string => date.toISOString().slice(0, 10);

/** The first day of the month in which orders are so many days old: whole months are aggregated, in UTC as they are packed. */
function keptFromBy(days: number, now: Date): string {
  const then = new Date(now.getTime() - days * 86_400_000);
  return dateText(new Date(Date.UTC(then.getUTCFullYear(), then.getUTCMonth(), 1)));
}

/** From when on orders are kept one by one, ms since 1970; 0: all are. Older ones are taken no more. */
export async function ordersKeptFrom(reader?: Pool | PoolConnection): Promise<number> {
  const ask = async (from: Pool | PoolConnection) => {
    const [[row]] = await from.query<RowDataPacket[]>(
      "SELECT DATE_FORMAT(kept_from, '%Y-%m-%d') AS kept_from FROM orders_kept WHERE store_id = ?",
      [storeId],
    );
    return row ? Date.parse(String(row.kept_from)) : 0;
  };
  return reader ? ask(reader) : reading(ask);
}

/**
 * Has orders older than the store keeps them taken no more. Nothing is done while an import is open: its file was compared with orders one
 * by one.
 *
 * @returns the day up to which they are to be aggregated; null where there is nothing to do, or not yet
 */
export async function beginAggregating(now = new Date()): Promise<string | null> {
  const { orderDays } = await readChoices();
  if (orderDays === null) return null;
  const to = keptFromBy(orderDays, now);
  return inTransaction(async (connection) => {
    const [[row]] = await connection.query<RowDataPacket[]>(
      "SELECT DATE_FORMAT(aggregated_to, '%Y-%m-%d') AS aggregated_to FROM orders_kept WHERE store_id = ? FOR UPDATE",
      [storeId],
    );
    if (row && row.aggregated_to !== null && String(row.aggregated_to) >= to) return null;
    const [open] = await connection.query<RowDataPacket[]>(
      "SELECT 1 FROM import_run WHERE kind = 'orders' AND state IN ('reading', 'checked', 'applying', 'reverting') LIMIT 1",
    );
    if (open.length > 0) return null;
    await connection.query(
      'INSERT INTO orders_kept (store_id, kept_from) VALUES (?, ?) ON DUPLICATE KEY UPDATE kept_from = GREATEST(kept_from, VALUES(kept_from))',
      [storeId, to],
    );
    return to;
  });
}

/**
 * Leaves of older orders what they were like, month by month: number, time of day, shopper, postcode and goods go.
 *
 * @param to as it was begun
 */
export async function aggregateUpTo(to: string): Promise<void> {
  const { policy } = await readDraft();
  const [months] = await database().query<RowDataPacket[]>(
    "SELECT DISTINCT market_id, currency, DATE_FORMAT(placed_at, '%Y-%m-01') AS month FROM past_order WHERE placed_at < ?",
    [to],
  );
  for (const row of months)
    await aggregateMonth(
      { marketId: String(row.market_id), currency: String(row.currency), month: String(row.month) },
      policy.store.timeZone,
    );
  await inTransaction(async (connection) => {
    // What shops reported goes with its order: which shopper it was, and what was asked.
    await connection.query('DELETE FROM placed_order WHERE placed_at < ?', [to]);
    await connection.query('UPDATE orders_kept SET aggregated_to = ? WHERE store_id = ?', [to, storeId]);
  });
}

const aggregateMonth = (of: MonthOf, timeZone: string): Promise<void> =>
  inTransaction(async (connection) => {
    const keys = [of.marketId, of.currency, of.month];
    const rows = await keptOrders(connection, of, 'FOR UPDATE');
    if (rows.length === 0) return;
    const fresh = inColumns(rows, timeZone, 'without postcodes');
    const { columns, shipments } = joined(await aggregateOf(connection, of), fresh);
    const [first, last] = [rows[0]![0], rows.at(-1)![0]].map((seconds) => new Date(seconds * 1000));
    await connection.query(
      'INSERT INTO order_aggregate (market_id, currency, month, first_placed, last_placed, options, arms, columns_packed, shipments_packed) VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?) ON DUPLICATE KEY UPDATE first_placed = LEAST(first_placed, VALUES(first_placed)), last_placed = GREATEST(last_placed, VALUES(last_placed)), options = VALUES(options), arms = VALUES(arms), columns_packed = VALUES(columns_packed), shipments_packed = VALUES(shipments_packed)',
      [
        ...keys,
        first,
        last,
        JSON.stringify(columns.options),
        JSON.stringify(columns.arms),
        Buffer.from(packColumns(columns)),
        Buffer.from(packShipments(shipments)),
      ],
    );
    const [{ affectedRows }] = await connection.query<ResultSetHeader>(
      'DELETE FROM past_order WHERE market_id = ? AND currency = ? AND placed_at >= ? AND placed_at < DATE_ADD(?, INTERVAL 1 MONTH)',
      [...keys, of.month],
    );
    if (affectedRows !== rows.length)
      throw new Error(`${affectedRows} orders would go, and ${rows.length} were counted`);
    await connection.query(
      'INSERT INTO order_month (market_id, currency, month, version) VALUES (?, ?, ?, 1) ON DUPLICATE KEY UPDATE version = version + 1',
      keys,
    );
  });
