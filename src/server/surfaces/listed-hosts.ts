import type { RowDataPacket } from 'mysql2/promise';
import { inTransaction, reading } from '../database/pool.ts';
import { storeId } from '../store-id.ts';

/** Hosts that pages are fetched from, with a port where it is not the usual one. */
export async function listedHosts(): Promise<string[]> {
  const [rows] = await reading((pool) =>
    pool.query<RowDataPacket[]>('SELECT host FROM listed_host WHERE store_id = ? ORDER BY host', [storeId]),
  );
  return rows.map(({ host }) => String(host));
}

export async function listHosts(hosts: readonly string[]): Promise<void> {
  await inTransaction(async (connection) => {
    // Of two at once the later one’s hosts are listed, and not those of both.
    await connection.query('SELECT revision FROM draft WHERE store_id = ? FOR UPDATE', [storeId]);
    await connection.query('DELETE FROM listed_host WHERE store_id = ?', [storeId]);
    const rows = [...new Set(hosts)].map((host) => [storeId, host]);
    if (rows.length > 0) await connection.query('REPLACE INTO listed_host (store_id, host) VALUES ?', [rows]);
  });
}
