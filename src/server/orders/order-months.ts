import { createHash } from 'node:crypto';
import type { PoolConnection, RowDataPacket } from 'mysql2/promise';
import {
  armIndex,
  emptyColumns,
  mostItems,
  optionIndex,
  packColumns,
  shopperNew,
  shopperReturning,
  unpackMonths,
  type OrderColumns,
} from '../../core/orders/columns.ts';
import type { OrderMonth } from '../../core/orders/months.ts';
import {
  codeIndex,
  emptyShipments,
  packShipments,
  placeIndex,
  weightUnknown,
} from '../../core/orders/replay/shipments.ts';
import { localTime } from '../../core/time/time-zone-clock.ts';
import { database, reading } from '../database/pool.ts';

/**
 * The months of a market's orders. What was packed before is named as it is; a month that has changed since, or was packed
 * under another time zone, is packed anew and kept. Any process may do so at any time: the packing of the newest wins.
 */
export async function orderMonths(marketId: string, currency: string, timeZone: string): Promise<OrderMonth[]> {
  const [rows] = await reading((pool) =>
    pool.query<RowDataPacket[]>(
      "SELECT DATE_FORMAT(month, '%Y-%m-%d') AS month, version, packed_version <=> version AND packed_zone = ? AS fresh, orders, options, arms, packed_hash FROM order_month WHERE market_id = ? AND currency = ? ORDER BY month",
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
        : await packMonth(marketId, currency, timeZone, month, Number(row.version));
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
    "SELECT market_id, currency, DATE_FORMAT(month, '%Y-%m-%d') AS month, version FROM order_month WHERE NOT (packed_version <=> version) OR packed_zone <> ? OR packed_hash IS NULL",
    [timeZone],
  );
  for (const row of rows) {
    await packMonth(String(row.market_id), String(row.currency), timeZone, String(row.month), Number(row.version));
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

type PackedRow = [
  placed: number,
  goods: number,
  delivery: number | null,
  option: string,
  returning: number | null,
  country: string,
  region: string,
  postcode: string,
  grams: number | null,
  items: number | null,
  arm: string,
  code: string,
];

async function packMonth(
  marketId: string,
  currency: string,
  timeZone: string,
  month: string,
  version: number,
): Promise<OrderMonth> {
  const rows = await reading(async (pool) => {
    const [found] = await pool.query<RowDataPacket[][]>({
      sql: 'SELECT UNIX_TIMESTAMP(placed_at), goods_minor, delivery_minor, option_id, returning_shopper, country, region, postcode, weight_grams, items, arm, code FROM past_order WHERE market_id = ? AND currency = ? AND placed_at >= ? AND placed_at < DATE_ADD(?, INTERVAL 1 MONTH) ORDER BY placed_at, order_number',
      values: [marketId, currency, month, month],
      rowsAsArray: true,
    });
    return found as unknown as PackedRow[];
  });
  const columns = emptyColumns(rows.length);
  const shipments = emptyShipments(rows.length);
  const known = new Map<string, number>();
  const knownPlaces = new Map<string, number>();
  const knownCodes = new Map<string, number>();
  for (const [i, row] of rows.entries()) {
    const [placed, goods, delivery, option, returning, country, region, postcode, grams, items, arm, code] = row;
    columns.goods[i] = goods;
    columns.delivery[i] = delivery ?? -1;
    columns.day[i] = localTime(timeZone, placed * 1000).day;
    columns.option[i] = optionIndex(columns.options, known, option);
    columns.shopper[i] = kindOfShopper(returning);
    columns.items[i] = Math.min(mostItems, items ?? 0);
    if (arm !== '') columns.arm[i] = armIndex(columns.arms, arm);
    shipments.place[i] = placeIndex(shipments.places, knownPlaces, [country, region, postcode]);
    shipments.grams[i] = grams ?? weightUnknown;
    shipments.code[i] = codeIndex(shipments.codes, knownCodes, code);
  }
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
      rows.length,
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
  return { month, orders: rows.length, options, arms, hash };
}

/** As columns tell it. @param returning 0, 1, or null where it is not known */
function kindOfShopper(returning: number | null): number {
  if (returning === null) return 0;
  return returning ? shopperReturning : shopperNew;
}
