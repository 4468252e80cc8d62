import { createHash } from 'node:crypto';
import type { PoolConnection, RowDataPacket } from 'mysql2/promise';
import { packColumns, unpackMonths, type OrderColumns } from '../../core/orders/columns.ts';
import type { OrderMonth } from '../../core/orders/months.ts';
import { packShipments } from '../../core/orders/replay/shipments.ts';
import { database, inSnapshot, reading } from '../database/pool.ts';
import { aggregateOf, inColumns, joined, keptOrders, type MonthOf } from './orders-of-month.ts';

/**
 * The months of a market's orders. What was packed before is named as it is; a month that has changed since, or was packed
 * under another time zone, is packed anew and kept. Any process may do so at any time: the packing of the newest wins.
 */
export async function orderMonths(marketId: string, currency: string, timeZone: string): Promise<OrderMonth[]> {
  const [rows] = await reading((pool) =>
    pool.query<RowDataPacket[]>(
      "SELECT DATE_FORMAT(month, '%Y-%m-%d') AS month, packed_version <=> version AND packed_zone = ? AS fresh, orders, options, arms, packed_hash FROM order_month WHERE market_id = ? AND currency = ? ORDER BY month",
      [timeZone, marketId, currency],
    ),
  );
  const result: OrderMonth[] = [];
  for (const row of rows) {
    const month = String(row.month);
    const packed: OrderMonth =
      Number(row.fresh) === 1 && row.packed_hash !== null
        ? {
            month,
            orders: Number(row.orders),
            options: JSON.parse(String(row.options)) as string[],
            arms: JSON.parse(String(row.arms)) as string[],
            hash: String(row.packed_hash),
          }
        : await packMonth({ marketId, currency, month }, timeZone);
    if (packed.orders > 0) result.push(packed);
  }
  return result;
}

/** What of a month is packed apart. */
export type MonthPart = 'columns_packed' | 'shipments_packed';

/** Packed months, oldest first. @returns null when one of them is no longer as its hash says */
export async function packedMonths(
  part: MonthPart,
  marketId: string,
  hashes: readonly string[],
): Promise<Uint8Array[] | null> {
  const [rows] = await reading((pool) =>
    pool.query<RowDataPacket[]>(
      'SELECT ?? AS packed FROM order_month WHERE market_id = ? AND packed_hash IN (?) ORDER BY month',
      [part, marketId, hashes],
    ),
  );
  const packed = rows.flatMap((row) => (row.packed ? [row.packed as Uint8Array] : []));
  return packed.length === hashes.length ? packed : null;
}

/** All orders of a market. @param from the first day of the first month that is wanted */
export async function readOrderColumns(
  marketId: string,
  currency: string,
  timeZone: string,
  from = '0000-01-01',
): Promise<OrderColumns> {
  await orderMonths(marketId, currency, timeZone);
  const [rows] = await reading((pool) =>
    pool.query<RowDataPacket[]>(
      'SELECT options, arms, columns_packed FROM order_month WHERE market_id = ? AND currency = ? AND orders > 0 AND columns_packed IS NOT NULL AND month >= ? ORDER BY month',
      [marketId, currency, from],
    ),
  );
  return unpackMonths(
    rows.map((row) => ({
      options: JSON.parse(String(row.options)) as string[],
      arms: JSON.parse(String(row.arms)) as string[],
      bytes: row.columns_packed as Uint8Array,
    })),
  );
}

/** Packs every month that has changed, so that the next view finds them ready. */
export async function packChangedMonths(
  timeZone: string,
  proceed: () => Promise<boolean> = async () => true,
): Promise<void> {
  const [rows] = await database().query<RowDataPacket[]>(
    "SELECT market_id, currency, DATE_FORMAT(month, '%Y-%m-%d') AS month FROM order_month WHERE NOT (packed_version <=> version) OR packed_zone <> ? OR packed_hash IS NULL",
    [timeZone],
  );
  for (const row of rows) {
    await packMonth(
      { marketId: String(row.market_id), currency: String(row.currency), month: String(row.month) },
      timeZone,
    );
    if (!(await proceed())) return;
  }
}

/** Says that a market's months have changed. In the transaction that changes them. */
export async function touchMonths(
  connection: PoolConnection,
  select: string,
  values: readonly (string | number | readonly string[])[],
): Promise<void> {
  await connection.query(
    `INSERT INTO order_month (market_id, currency, month, version) ${select} ON DUPLICATE KEY UPDATE version = version + 1`,
    [...values],
  );
}

async function packMonth(of: MonthOf, timeZone: string): Promise<OrderMonth> {
  const { marketId, currency, month } = of;
  // All of one moment: orders that are aggregated meanwhile would be seen twice, or not at all.
  const { version, aggregate, kept } = await inSnapshot(async (connection) => ({
    version: await versionOf(connection, of),
    aggregate: await aggregateOf(connection, of),
    kept: await keptOrders(connection, of),
  }));
  const { columns, shipments } = joined(aggregate, inColumns(kept, timeZone));
  const bytes = Buffer.from(packColumns(columns));
  const shipped = Buffer.from(packShipments(shipments));
  const { options, arms } = columns;
  const hash = createHash('sha256').update(bytes).update(shipped).digest('hex').slice(0, 32);
  // Kept though the month may have moved on meanwhile: then it is found to be old when it is named next.
  await database().query(
    'UPDATE order_month SET packed_version = ?, packed_zone = ?, packed_hash = ?, orders = ?, options = ?, arms = ?, columns_packed = ?, shipments_packed = ? WHERE market_id = ? AND currency = ? AND month = ? AND (packed_version IS NULL OR packed_version <= ?)',
    [
      version,
      timeZone,
      hash,
      columns.count,
      JSON.stringify(options),
      JSON.stringify(arms),
      bytes,
      shipped,
      marketId,
      currency,
      month,
      version,
    ],
  );
  return { month, orders: columns.count, options, arms, hash };
}

async function versionOf(connection: PoolConnection, { marketId, currency, month }: MonthOf): Promise<number> {
  const [[row]] = await connection.query<RowDataPacket[]>(
    'SELECT version FROM order_month WHERE market_id = ? AND currency = ? AND month = ?',
    [marketId, currency, month],
  );
  return Number(row!.version);
}
