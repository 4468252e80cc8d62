import type { PoolConnection, RowDataPacket } from 'mysql2/promise';
import {
  emptyColumns,
  optionIndex,
  packColumns,
  shopperNew,
  shopperReturning,
  type PackedMonth,
} from '../../core/orders/columns.ts';
import { localTime } from '../../core/time/time-zone-clock.ts';
import { database, reading } from '../database/pool.ts';

/** A month of a market's orders, packed into columns. */
interface OrderMonth extends PackedMonth {
  /** first day, ISO 8601 */
  month: string;
  orders: number;
}

interface MonthRow {
  month: string;
  version: number;
  fresh: boolean;
  orders: number;
  options: string[];
  bytes: Uint8Array | null;
}

/**
 * All months of a market's orders. What was packed before comes as it is; a month that has changed since, or was packed
 * under another time zone, is packed anew and kept. Any process may do so at any time: a packing is kept only if nothing has
 * changed meanwhile.
 */
export async function orderMonths(marketId: string, currency: string, timeZone: string): Promise<OrderMonth[]> {
  const months = await reading(async (pool) => {
    const [rows] = await pool.query<RowDataPacket[]>(
      "SELECT DATE_FORMAT(month, '%Y-%m-%d') AS month, version, packed_version <=> version AND packed_zone = ? AS fresh, orders, options, IF(packed_version <=> version AND packed_zone = ?, columns_packed, NULL) AS packed FROM order_month WHERE market_id = ? AND currency = ? ORDER BY month",
      [timeZone, timeZone, marketId, currency],
    );
    return rows.map((row): MonthRow => ({
      month: String(row.month),
      version: Number(row.version),
      fresh: Number(row.fresh) === 1,
      orders: Number(row.orders),
      options: JSON.parse(String(row.options)) as string[],
      bytes: row.packed as Uint8Array | null,
    }));
  });
  const result: OrderMonth[] = [];
  for (const { month, version, fresh, orders, options, bytes } of months) {
    const packed =
      fresh && bytes
        ? { month, orders, options, bytes }
        : await packMonth(marketId, currency, timeZone, month, version);
    if (packed.orders > 0) result.push(packed);
  }
  return result;
}

/** Packs every month that has changed, so that the next view finds them ready. */
export async function packChangedMonths(
  timeZone: string,
  goOn: () => Promise<boolean> = async () => true,
): Promise<void> {
  const [rows] = await database().query<RowDataPacket[]>(
    "SELECT market_id, currency, DATE_FORMAT(month, '%Y-%m-%d') AS month, version FROM order_month WHERE NOT (packed_version <=> version) OR packed_zone <> ?",
    [timeZone],
  );
  for (const row of rows) {
    await packMonth(String(row.market_id), String(row.currency), timeZone, String(row.month), Number(row.version));
    if (!(await goOn())) return;
  }
}

/** Says that a market's months have changed. In the transaction that changes them. */
export async function touchMonths(
  connection: PoolConnection,
  select: string,
  values: (string | number)[],
): Promise<void> {
  await connection.query(
    `INSERT INTO order_month (market_id, currency, month, version) ${select} ON DUPLICATE KEY UPDATE version = version + 1`,
    values,
  );
}

async function packMonth(
  marketId: string,
  currency: string,
  timeZone: string,
  month: string,
  version: number,
): Promise<OrderMonth> {
  const rows = await reading(async (pool) => {
    const [found] = await pool.query<RowDataPacket[][]>({
      sql: 'SELECT UNIX_TIMESTAMP(placed_at), goods_minor, delivery_minor, option_id, returning_shopper FROM past_order WHERE market_id = ? AND currency = ? AND placed_at >= ? AND placed_at < DATE_ADD(?, INTERVAL 1 MONTH) ORDER BY placed_at, order_number',
      values: [marketId, currency, month, month],
      rowsAsArray: true,
    });
    return found as unknown as [number, number, number | null, string, number | null][];
  });
  const columns = emptyColumns(rows.length);
  const known = new Map<string, number>();
  for (const [i, [placed, goods, delivery, option, returning]] of rows.entries()) {
    columns.goods[i] = goods;
    columns.delivery[i] = delivery ?? -1;
    columns.day[i] = localTime(timeZone, placed * 1000).day;
    columns.option[i] = optionIndex(columns.options, known, option);
    columns.shopper[i] = kindOfShopper(returning);
  }
  const bytes = packColumns(columns);
  await database().query(
    'UPDATE order_month SET packed_version = version, packed_zone = ?, orders = ?, options = ?, columns_packed = ? WHERE market_id = ? AND currency = ? AND month = ? AND version = ?',
    [timeZone, rows.length, JSON.stringify(columns.options), Buffer.from(bytes), marketId, currency, month, version],
  );
  return { month, orders: rows.length, options: columns.options, bytes };
}

/** As columns tell it. @param returning 0, 1, or null where it is not known */
function kindOfShopper(returning: number | null): number {
  if (returning === null) return 0;
  return returning ? shopperReturning : shopperNew;
}
