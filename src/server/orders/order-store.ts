import type { PoolConnection } from 'mysql2/promise';
import type { ValueCounts } from '../../core/orders/distribution.ts';
import { allOrders, tallyOf, valueCountsOf } from '../../core/orders/tally.ts';
import { readOrderColumns, touchMonths } from './order-months.ts';

/** One past order, amounts in minor units of its currency. */
export interface PastOrder {
  orderNumber: string;
  placedAt: Date;
  marketId: string;
  country: string;
  postcode: string;
  currency: string;
  /** after discounts */
  goodsMinor: number;
  discountMinor: number;
  deliveryMinor: number;
  optionId: string;
  items: number;
  weightGrams: number;
  returning: boolean;
  /** of an experiment, as `armName` writes it; absent: none */
  arm?: string;
  lines: [sku: string, quantity: number][];
}

const batchSize = 2000;

/** Lines as they are stored: SKU, tab, quantity, line end. */
export function linesAsText(lines: readonly (readonly [string, number])[]): string {
  return lines.map(([sku, quantity]) => `${sku}\t${quantity}\n`).join('');
}

export function linesFromText(text: string): [sku: string, quantity: number][] {
  return text.split('\n').flatMap((line) => {
    const tab = line.indexOf('\t');
    return tab < 0 ? [] : [[line.slice(0, tab), Number(line.slice(tab + 1))] as [string, number]];
  });
}

/** Adds orders in bounded batches, in the caller's transaction. */
export async function addOrders(connection: PoolConnection, orders: readonly PastOrder[]): Promise<void> {
  for (let start = 0; start < orders.length; start += batchSize) {
    const rows = orders
      .slice(start, start + batchSize)
      .map((o) => [
        o.orderNumber,
        o.placedAt,
        o.marketId,
        o.country,
        o.postcode,
        o.currency,
        o.goodsMinor,
        o.discountMinor,
        o.deliveryMinor,
        o.optionId,
        o.items,
        o.weightGrams,
        o.returning,
        linesAsText(o.lines),
        o.arm ?? '',
      ]);
    await connection.query(
      'INSERT INTO past_order (order_number, placed_at, market_id, country, postcode, currency, goods_minor, discount_minor, delivery_minor, option_id, items, weight_grams, returning_shopper, goods_lines, arm) VALUES ?',
      [rows],
    );
  }
  await touchMonths(
    connection,
    "SELECT DISTINCT market_id, currency, DATE_FORMAT(placed_at, '%Y-%m-01'), 1 FROM past_order",
    [],
  );
}

/** The distinct order values of a market with the number of orders of each, exact. */
export async function valueCounts(marketId: string, currency: string, timeZone: string): Promise<ValueCounts> {
  const columns = await readOrderColumns(marketId, currency, timeZone);
  return valueCountsOf(tallyOf(columns, allOrders), currency);
}
