import type { RowDataPacket } from 'mysql2/promise';
import { inTransaction } from '../../database/pool.ts';
import { storeId } from '../../store-id.ts';
import { hashOfToken } from '../tokens.ts';

/** For so long somebody may look for the key. minutes */
const goodFor = 5;

/** Keeps what a passkey is asked to sign. @param accountId who adds one; null: somebody signs in */
export const keepChallenge = (challenge: string, accountId: string | null): Promise<void> =>
  inTransaction(async (connection) => {
    await connection.query('DELETE FROM passkey_challenge WHERE store_id = ? AND ends_at < UTC_TIMESTAMP(3)', [
      storeId,
    ]);
    await connection.query(
      'INSERT INTO passkey_challenge (challenge_hash, store_id, account_id, ends_at) VALUES (?, ?, ?, DATE_ADD(UTC_TIMESTAMP(3), INTERVAL ? MINUTE))',
      [hashOfToken(challenge), storeId, accountId, goodFor],
    );
  });

/** Whether something was asked for just this; it is used up. */
export const tookChallenge = (challenge: string, accountId: string | null): Promise<boolean> =>
  inTransaction(async (connection) => {
    const hash = hashOfToken(challenge);
    const [rows] = await connection.query<RowDataPacket[]>(
      'SELECT account_id FROM passkey_challenge WHERE store_id = ? AND challenge_hash = ? AND account_id <=> ? AND ends_at > UTC_TIMESTAMP(3) FOR UPDATE',
      [storeId, hash, accountId],
    );
    if (rows.length === 0) return false;
    await connection.query('DELETE FROM passkey_challenge WHERE challenge_hash = ?', [hash]);
    return true;
  });
