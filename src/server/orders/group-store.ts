import type { RowDataPacket } from 'mysql2/promise';
import type { Basket } from '../../core/orders/baskets.ts';
import { reading } from '../database/pool.ts';
import { bodySchema } from '../http/read-request.ts';
import { linesFromText } from './order-store.ts';

const whole = { type: 'string', pattern: '^[0-9]{1,15}$' };
/** Days that MariaDB has: to the year 2134. */
const day = { type: 'string', pattern: '^([0-9]{1,4}|[1-5][0-9]{4})$' };
const word = { type: 'string', maxLength: 80 };

/** What an address asks of a group. */
export const validateGroupAddress = bodySchema<{
  market: string;
  fromValue: string;
  toValue: string;
  fromDay: string;
  toDay: string;
  shopper?: GroupQuery['shopper'];
  option?: string;
  delivery?: GroupQuery['delivery'];
}>({
  type: 'object',
  additionalProperties: false,
  required: ['market', 'fromValue', 'toValue', 'fromDay', 'toDay'],
  properties: {
    market: word,
    fromValue: whole,
    toValue: whole,
    fromDay: day,
    toDay: day,
    shopper: { enum: ['all', 'new', 'returning'] },
    option: word,
    delivery: { enum: ['all', 'paid', 'free'] },
  },
});

/** Orders in a stretch of values and days. */
interface GroupQuery {
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
export async function basketsOf(query: GroupQuery): Promise<Basket[]> {
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
