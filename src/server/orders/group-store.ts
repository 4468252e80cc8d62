import type { RowDataPacket } from 'mysql2/promise';
import type { Basket } from '../../core/orders/baskets.ts';
import { reading } from '../database/pool.ts';
import { linesFromText } from './order-store.ts';

/** Orders in a stretch of values and days. */
interface GroupOfOrders {
  marketId: string;
  currency: string;
  /** minor units, [fromValue, toValue) */
  fromValue: number;
  toValue: number;
  /** ms since 1970-01-01T00:00Z, [from, until) */
  from: number;
  until: number;
  shopper: 'all' | 'new' | 'returning';
  option: string | null;
  delivery: 'all' | 'paid' | 'free';
}

/** Baskets beyond that many are not looked at: the newest are. */
export const mostBaskets = 20_000;

/** What the newest orders of a group hold, of those of which it is known. */
export async function basketsOf(query: GroupOfOrders): Promise<Basket[]> {
  const conditions = [
    'market_id = ?',
    'currency = ?',
    'placed_at >= ?',
    'placed_at < ?',
    'goods_minor >= ?',
    'goods_minor < ?',
    "goods_lines <> ''",
  ];
  const values: unknown[] = [
    query.marketId,
    query.currency,
    new Date(query.from),
    new Date(query.until),
    query.fromValue,
    query.toValue,
  ];
  if (query.shopper !== 'all') {
    conditions.push('returning_shopper = ?');
    values.push(query.shopper === 'returning');
  }
  if (query.option !== null) {
    conditions.push('option_id = ?');
    values.push(query.option);
  }
  if (query.delivery !== 'all')
    conditions.push(query.delivery === 'paid' ? 'delivery_minor > 0' : 'delivery_minor = 0');
  return reading(async (pool) => {
    const [rows] = await pool.query<RowDataPacket[]>(
      `SELECT goods_lines FROM past_order WHERE ${conditions.join(' AND ')} ORDER BY placed_at DESC LIMIT ?`,
      [...values, mostBaskets],
    );
    return rows.map((row) => linesFromText(String(row.goods_lines)));
  });
}
