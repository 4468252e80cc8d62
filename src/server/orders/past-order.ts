import type { RowDataPacket } from 'mysql2/promise';
import type { FoundOrder } from '../../contract/shapes/order.ts';
import { reading } from '../database/pool.ts';
import { linesFromText } from './order-store.ts';

/** The order with that number; null when there is none. */
export async function findOrder(number: string): Promise<FoundOrder | null> {
  return reading(async (pool) => {
    const [[row]] = await pool.query<RowDataPacket[]>(
      'SELECT order_number, placed_at, market_id, country, region, postcode, currency, goods_minor, delivery_minor, option_id, code, returning_shopper, arm, goods_lines FROM past_order WHERE order_number = ?',
      [number],
    );
    if (!row) return null;
    const known = <T>(value: unknown, as: (value: unknown) => T): T | null => (value === null ? null : as(value));
    return {
      number: String(row.order_number),
      placedAt: (row.placed_at as Date).toISOString(),
      market: String(row.market_id),
      country: String(row.country),
      region: String(row.region),
      postcode: String(row.postcode),
      currency: String(row.currency),
      goods: Number(row.goods_minor),
      delivery: known(row.delivery_minor, Number),
      option: String(row.option_id),
      code: String(row.code),
      returning: known(row.returning_shopper, Boolean),
      arm: String(row.arm),
      lines: linesFromText(String(row.goods_lines)).map(([sku, quantity]) => ({ sku, quantity })),
    };
  });
}
