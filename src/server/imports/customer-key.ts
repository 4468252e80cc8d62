import { hash, randomBytes } from 'node:crypto';
import type { RowDataPacket } from 'mysql2/promise';
import { database } from '../database/pool.ts';
import { storeId } from '../user.ts';

/**
 * What turns a customer's key into one that tells only whether it was the same customer: SHA-256 with a salt of this
 * installation, the first 16 bytes in hexadecimal. The key itself is kept nowhere.
 */
export async function customerHasher(): Promise<(key: string) => string> {
  await database().query('INSERT IGNORE INTO customer_salt (store_id, salt) VALUES (?, ?)', [storeId, randomBytes(32)]);
  const [rows] = await database().query<RowDataPacket[]>('SELECT salt FROM customer_salt WHERE store_id = ?', [
    storeId,
  ]);
  const salt = (rows[0]!.salt as Buffer).toString('hex');
  return (key) => hash('sha256', salt + key, 'hex').slice(0, 32);
}
