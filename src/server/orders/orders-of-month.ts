import type { Pool, PoolConnection, RowDataPacket } from 'mysql2/promise';
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
import {
  codeIndex,
  emptyShipments,
  packShipments,
  placeIndex,
  unpackShipments,
  weightUnknown,
  type OrderShipments,
} from '../../core/orders/replay/shipments.ts';
import { localTime } from '../../core/time/time-zone-clock.ts';

/** A month of a market's orders. */
export interface MonthOf {
  marketId: string;
  currency: string;
  /** its first day, as YYYY-MM-DD in UTC */
  month: string;
}

/** Orders in columns, in one order. */
export interface ColumnsOfMonth {
  columns: OrderColumns;
  shipments: OrderShipments;
}

type OrderRow = [
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

/** The orders of a month that are kept one by one. @param lock that nobody changes them until the transaction ends */
export async function keptOrders(
  reader: Pool | PoolConnection,
  { marketId, currency, month }: MonthOf,
  lock: '' | 'FOR UPDATE' = '',
): Promise<OrderRow[]> {
  const [found] = await reader.query<RowDataPacket[][]>({
    sql: `SELECT UNIX_TIMESTAMP(placed_at), goods_minor, delivery_minor, option_id, returning_shopper, country, region, postcode, weight_grams, items, arm, code FROM past_order WHERE market_id = ? AND currency = ? AND placed_at >= ? AND placed_at < DATE_ADD(?, INTERVAL 1 MONTH) ORDER BY placed_at, order_number ${lock}`,
    values: [marketId, currency, month, month],
    rowsAsArray: true,
  });
  return found as unknown as OrderRow[];
}

/** What is left of orders of a month that are no longer kept one by one; null: they all are. */
export async function aggregateOf(
  reader: Pool | PoolConnection,
  { marketId, currency, month }: MonthOf,
): Promise<ColumnsOfMonth | null> {
  const [[row]] = await reader.query<RowDataPacket[]>(
    'SELECT options, arms, columns_packed, shipments_packed FROM order_aggregate WHERE market_id = ? AND currency = ? AND month = ?',
    [marketId, currency, month],
  );
  if (!row) return null;
  const packed = {
    options: JSON.parse(String(row.options)) as string[],
    arms: JSON.parse(String(row.arms)) as string[],
    bytes: row.columns_packed as Uint8Array,
  };
  return { columns: unpackMonths([packed]), shipments: unpackShipments([row.shipments_packed as Uint8Array]) };
}

/** @param places what is kept of where an order went */
export function inColumns(
  rows: readonly OrderRow[],
  timeZone: string,
  places: 'with postcodes' | 'without postcodes' = 'with postcodes',
): ColumnsOfMonth {
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
    const place = [country, region, places === 'with postcodes' ? postcode : ''] as const;
    shipments.place[i] = placeIndex(shipments.places, knownPlaces, place);
    shipments.grams[i] = grams ?? weightUnknown;
    shipments.code[i] = codeIndex(shipments.codes, knownCodes, code);
  }
  return { columns, shipments };
}

/** One behind the other. */
export function joined(first: ColumnsOfMonth | null, second: ColumnsOfMonth): ColumnsOfMonth {
  if (!first) return second;
  const both = [first, second];
  return {
    columns: unpackMonths(
      both.map(({ columns }) => ({ options: columns.options, arms: columns.arms, bytes: packColumns(columns) })),
    ),
    shipments: unpackShipments(both.map(({ shipments }) => packShipments(shipments))),
  };
}

/** As columns tell it. @param returning 0, 1, or null where it is not known */
function kindOfShopper(returning: number | null): number {
  if (returning === null) return 0;
  return returning ? shopperReturning : shopperNew;
}
