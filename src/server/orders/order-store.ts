import type { PoolConnection, RowDataPacket } from 'mysql2/promise';
import type { ValueCounts } from '../../core/orders/distribution.ts';
import { reading } from '../database/pool.ts';

/** One past order, amounts in minor units of its currency. */
export interface PastOrder {
  orderNumber: string;
  placedAt: Date;
  marketId: string;
  country: string;
  postcode: string;
  currency: string;
  goodsMinor: number;
  deliveryMinor: number;
  optionId: string;
  items: number;
  weightGrams: number;
  returning: boolean;
}

const batchSize = 2000;

/** Adds orders in bounded batches, in the caller's transaction. */
export async function addOrders(connection: PoolConnection, orders: readonly PastOrder[]): Promise<void> {
  for (let start = 0; start < orders.length; start += batchSize) {
    const rows = orders
      .slice(start, start + batchSize)
      .map((o) => [o.orderNumber, o.placedAt, o.marketId, o.country, o.postcode, o.currency, o.goodsMinor, o.deliveryMinor, o.optionId, o.items, o.weightGrams, o.returning]);
    await connection.query(
      'INSERT INTO past_order (order_number, placed_at, market_id, country, postcode, currency, goods_minor, delivery_minor, option_id, items, weight_grams, returning_shopper) VALUES ?',
      [rows],
    );
  }
}

/** The distinct order values of a market with the number of orders of each, exact. */
export async function valueCounts(marketId: string, currency: string): Promise<ValueCounts> {
  return reading(async (pool) => {
    const [rows] = await pool.query<RowDataPacket[]>(
      'SELECT goods_minor AS value, COUNT(*) AS orders FROM past_order WHERE market_id = ? AND currency = ? GROUP BY goods_minor ORDER BY goods_minor',
      [marketId, currency],
    );
    const result: ValueCounts = { currency: rows.length > 0 ? currency : null, orders: 0, valueSteps: [], counts: [] };
    let last = 0;
    for (const row of rows) {
      const value = Number(row.value);
      result.valueSteps.push(value - last);
      result.counts.push(Number(row.orders));
      result.orders += Number(row.orders);
      last = value;
    }
    return result;
  });
}
