import type { PoolConnection, RowDataPacket } from 'mysql2/promise';
import type { RateHistory } from '../../core/money/rate-history.ts';
import { inTransaction, reading } from '../database/pool.ts';
import { storeId } from '../store-id.ts';

type RateSource = 'feed' | 'import';

export interface RatesAdded {
  /** days × currencies that were not there */
  added: number;
  changed: number;
  same: number;
}

/** The whole history, the oldest day first. */
export async function rateHistory(): Promise<RateHistory> {
  return reading(async (pool) => {
    const [rows] = await pool.query<RowDataPacket[]>(
      "SELECT currency, DATE_FORMAT(day, '%Y-%m-%d') AS day, rate FROM rate_day WHERE store_id = ? ORDER BY currency, day",
      [storeId],
    );
    const history: RateHistory = {};
    for (const { currency, day, rate } of rows)
      (history[String(currency)] ??= []).push({ day: String(day), rate: String(rate) });
    return history;
  });
}

/** What adding a history would do, or does. */
export async function addRates(rates: RateHistory, source: RateSource, dryRun: boolean): Promise<RatesAdded> {
  const known = await rateHistory();
  const counts: RatesAdded = { added: 0, changed: 0, same: 0 };
  const differing: RateHistory = {};
  for (const [currency, days] of Object.entries(rates)) {
    const before = new Map((known[currency] ?? []).map(({ day, rate }) => [day, rate]));
    for (const one of days) {
      const there = before.get(one.day);
      const kept = there === one.rate ? 'same' : 'changed';
      counts[there === undefined ? 'added' : kept]++;
      if (there !== one.rate) (differing[currency] ??= []).push(one);
    }
  }
  if (!dryRun) await inTransaction((connection) => insertRates(connection, differing, source));
  return counts;
}

/** Puts rates in the caller's transaction; those of the same day are replaced. */
export async function insertRates(connection: PoolConnection, rates: RateHistory, source: RateSource): Promise<void> {
  const rows = Object.entries(rates).flatMap(([currency, days]) =>
    days.map(({ day, rate }) => [storeId, currency, day, rate, source]),
  );
  for (let start = 0; start < rows.length; start += 2000)
    await connection.query('REPLACE INTO rate_day (store_id, currency, day, rate, source) VALUES ?', [
      rows.slice(start, start + 2000),
    ]);
}
