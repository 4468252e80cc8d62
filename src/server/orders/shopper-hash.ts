import { hash, randomBytes } from 'node:crypto';
import type { RowDataPacket } from 'mysql2/promise';
import { database } from '../database/pool.ts';
import { heldFor } from '../held.ts';
import { storeId } from '../store-id.ts';

/** Made once for a store and never another. */
const salt = heldFor(Infinity, async () => {
  await database().query('INSERT IGNORE INTO customer_salt (store_id, salt) VALUES (?, ?)', [storeId, randomBytes(32)]);
  const [rows] = await database().query<RowDataPacket[]>('SELECT salt FROM customer_salt WHERE store_id = ?', [
    storeId,
  ]);
  return (rows[0]!.salt as Buffer).toString('hex');
});

/**
 * What turns a shop's key of a shopper into one that tells only whether it was the same shopper: SHA-256 with a salt of this
 * installation, the first 16 bytes in hexadecimal. The key itself is kept nowhere.
 */
export async function shopperHasher(): Promise<(key: string) => string> {
  const salted = await salt.get();
  return (key) => hash('sha256', salted + key, 'hex').slice(0, 32);
}

/** A shopper by the shop's key, as the database has it; null where the shop does not say who it is. */
export async function shopperHash(key: string | undefined): Promise<Buffer | null> {
  return key === undefined ? null : Buffer.from((await shopperHasher())(key), 'hex');
}
