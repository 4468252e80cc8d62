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

const mostNumbers = 10;

/** Numbers of orders of a stretch of time that are worth the same, came by the same option and paid the same for delivery as far as that is said, the newest first. */
export async function numbersLike(like: {
  marketId: string;
  currency: string;
  /** ms since 1970-01-01T00:00Z, [from, until) */
  from: number;
  until: number;
  /** minor units */
  value: number;
  /** null: any */
  delivery: number | null;
  option: string | null;
}): Promise<string[]> {
  return reading(async (pool) => {
    const [rows] = await pool.query<RowDataPacket[]>(
      'SELECT order_number FROM past_order WHERE market_id = ? AND currency = ? AND placed_at >= ? AND placed_at < ? AND goods_minor = ? AND (? IS NULL OR delivery_minor = ?) AND (? IS NULL OR option_id = ?) ORDER BY placed_at DESC LIMIT ?',
      [
        like.marketId,
        like.currency,
        new Date(like.from),
        new Date(like.until),
        like.value,
        like.delivery,
        like.delivery,
        like.option,
        like.option,
        mostNumbers,
      ],
    );
    return rows.map((row) => String(row.order_number));
  });
}
