import type { RowDataPacket } from 'mysql2/promise';
import type { CancelOutcome } from '../../../contract/shapes/placed-order.ts';
import { inTransaction } from '../../database/pool.ts';
import { forgetState } from '../../current-state.ts';
import { touchMonths } from '../order-months.ts';

/** Takes orders back: out of the past orders, and what they redeemed is free again. That they were there stays known. */
export async function cancelOrders(numbers: readonly string[]): Promise<CancelOutcome[]> {
  try {
    return await inTransaction(async (connection) => {
      const [rows] = await connection.query<RowDataPacket[]>(
        'SELECT order_number, cancelled_at FROM placed_order WHERE order_number IN (?) ORDER BY order_number FOR UPDATE',
        [numbers],
      );
      const wasCancelled = new Map(
        rows.map(({ order_number, cancelled_at }) => [String(order_number), cancelled_at !== null]),
      );
      const standing = [...wasCancelled].flatMap(([number, cancelled]) => (cancelled ? [] : [number]));
      if (standing.length > 0) {
        await connection.query('UPDATE placed_order SET cancelled_at = UTC_TIMESTAMP(3) WHERE order_number IN (?)', [
          standing,
        ]);
        await touchMonths(
          connection,
          "SELECT DISTINCT market_id, currency, DATE_FORMAT(placed_at, '%Y-%m-01'), 1 FROM past_order WHERE order_number IN (?)",
          [standing],
        );
        await connection.query('DELETE FROM past_order WHERE order_number IN (?)', [standing]);
        const [uses] = await connection.query<RowDataPacket[]>(
          'SELECT offer_id, COUNT(*) AS uses FROM redemption WHERE order_number IN (?) GROUP BY offer_id ORDER BY offer_id',
          [standing],
        );
        for (const { offer_id, uses: freed } of uses)
          await connection.query('UPDATE offer_use SET used = used - ?, revision = revision + 1 WHERE offer_id = ?', [
            Number(freed),
            offer_id,
          ]);
        await connection.query('DELETE FROM redemption WHERE order_number IN (?)', [standing]);
      }
      const seen = new Set<string>();
      return numbers.map((number): CancelOutcome => {
        const before = wasCancelled.get(number);
        if (before === undefined) return { number, outcome: 'unknown' };
        const again = before || seen.has(number);
        seen.add(number);
        return { number, outcome: again ? 'wasCancelled' : 'cancelled' };
      });
    });
  } finally {
    forgetState();
  }
}
