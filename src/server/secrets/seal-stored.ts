import type { RowDataPacket } from 'mysql2/promise';
import { inTransaction } from '../database/pool.ts';
import { isSealed, seal, secretKey, unseal, type Purpose } from './sealing.ts';

/** Where secrets are kept. */
const kept: readonly { table: string; id: string; purpose: Purpose }[] = [
  { table: 'signing_secret', id: 'id', purpose: 'signing' },
  { table: 'receiver', id: 'id', purpose: 'receiver' },
  { table: 'carrier_service', id: 'name', purpose: 'carrier' },
];

/**
 * Seals what was kept before there was a key, and finds out whether what is sealed can be read.
 * @throws SealProblem where it cannot
 */
export const sealStored = (): Promise<void> =>
  inTransaction(async (connection) => {
    const key = secretKey();
    for (const { table, id, purpose } of kept) {
      const [rows] = await connection.query<RowDataPacket[]>(
        `SELECT store_id, ${id} AS id, secret FROM ${table} WHERE secret IS NOT NULL FOR UPDATE`,
      );
      for (const row of rows) {
        const secret = unseal(row.secret as Buffer, purpose, key);
        if (!key || isSealed(row.secret as Buffer)) continue;
        await connection.query(`UPDATE ${table} SET secret = ? WHERE store_id = ? AND ${id} = ?`, [
          seal(secret, purpose, key),
          row.store_id,
          row.id,
        ]);
      }
    }
  });
