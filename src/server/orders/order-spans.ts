import type { RowDataPacket } from 'mysql2/promise';
import type { OrderSpan } from '../../core/orders/study.ts';
import type { Policy } from '../../core/policy/types.ts';
import { localTime } from '../../core/time/time-zone-clock.ts';
import { reading } from '../database/pool.ts';

/** Of which days orders of the markets of a policy are known, in the currency of each. @returns own keys: markets with orders */
export async function orderSpans({
  markets,
  store: { timeZone },
}: Pick<Policy, 'markets' | 'store'>): Promise<Record<string, OrderSpan>> {
  // The index by market, currency and time answers from its ends, however many orders lie between.
  const [rows] = await reading((pool) =>
    pool.query<RowDataPacket[]>(
      `SELECT market, currency, UNIX_TIMESTAMP(MIN(first)) AS first, UNIX_TIMESTAMP(MAX(last)) AS last FROM (
        SELECT market_id AS market, currency, MIN(placed_at) AS first, MAX(placed_at) AS last FROM past_order GROUP BY market_id, currency
        UNION ALL SELECT market_id, currency, MIN(first_placed), MAX(last_placed) FROM order_aggregate GROUP BY market_id, currency
      ) spans GROUP BY market, currency`,
    ),
  );
  const dayOf = (seconds: unknown) => localTime(timeZone, Number(seconds) * 1000).day;
  return Object.fromEntries(
    rows
      .map((row) => ({ row, market: String(row.market) }))
      .filter(({ row, market }) => Object.hasOwn(markets, market) && markets[market]!.currency === row.currency)
      .map(({ row, market }) => [market, { firstDay: dayOf(row.first), lastDay: dayOf(row.last) }]),
  );
}
