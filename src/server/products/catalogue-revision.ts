import type { PoolConnection } from 'mysql2/promise';
import { storeId } from '../store-id.ts';

/** To be called in the transaction of every change of products. */
export async function noteCatalogueChange(connection: PoolConnection): Promise<void> {
  await connection.query(
    'INSERT INTO catalogue (store_id, revision) VALUES (?, 1) ON DUPLICATE KEY UPDATE revision = revision + 1',
    [storeId],
  );
}
