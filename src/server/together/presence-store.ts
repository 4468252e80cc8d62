import type { Pool, RowDataPacket } from 'mysql2/promise';
import { presenceEvery, type Here, type Present } from '../../contract/shapes/together.ts';
import { database } from '../database/pool.ts';
import { storeId } from '../store-id.ts';

/** A page that has not said where it is for so long is gone. s */
const gone = 3 * presenceEvery;

/** So many open pages are told of. */
const mostShown = 200;

export async function notePresence(accountId: string, { page, place, thing }: Here): Promise<void> {
  if (place === '')
    await database().query('DELETE FROM presence WHERE store_id = ? AND page = ? AND account_id = ?', [
      storeId,
      page,
      accountId,
    ]);
  else
    await database().query(
      'INSERT INTO presence (store_id, page, account_id, place, thing, seen_at) VALUES (?, ?, ?, ?, ?, UTC_TIMESTAMP(3)) ON DUPLICATE KEY UPDATE place = IF(account_id = VALUES(account_id), VALUES(place), place), thing = IF(account_id = VALUES(account_id), VALUES(thing), thing), seen_at = IF(account_id = VALUES(account_id), VALUES(seen_at), seen_at)',
      [storeId, page, accountId, place, thing],
    );
}

/** Open pages, in an order that stays. */
export async function presentIn(pool: Pool): Promise<Present[]> {
  const [rows] = await pool.query<RowDataPacket[]>(
    'SELECT p.page, p.account_id, a.name, p.place, p.thing FROM presence p JOIN account a ON a.store_id = p.store_id AND a.id = p.account_id WHERE p.store_id = ? AND p.seen_at > DATE_SUB(UTC_TIMESTAMP(3), INTERVAL ? SECOND) ORDER BY a.name, p.page LIMIT ?',
    [storeId, gone, mostShown],
  );
  return rows.map((row) => ({
    page: String(row.page),
    account: String(row.account_id),
    name: String(row.name),
    place: String(row.place),
    thing: String(row.thing),
  }));
}

/** Clears away pages that are gone. */
export async function forgetGonePages(): Promise<void> {
  await database().query(
    'DELETE FROM presence WHERE store_id = ? AND seen_at < DATE_SUB(UTC_TIMESTAMP(3), INTERVAL ? SECOND)',
    [storeId, gone],
  );
}
