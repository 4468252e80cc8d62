import type { PoolConnection, RowDataPacket } from 'mysql2/promise';
import { database, inTransaction } from '../database/pool.ts';
import { forgetState } from '../current-state.ts';

/** An offer that may be redeemed so often in all. */
export interface LimitedUse {
  offer: string;
  limit: number;
}

/**
 * Reserves a use of each offer for a shopper, all or none; one that is reserved already is kept for longer.
 *
 * @param minutes from now
 * @returns the offers of which none is left: then nothing is reserved
 */
export async function reserve(wanted: readonly LimitedUse[], shopper: Buffer, minutes: number): Promise<string[]> {
  try {
    return await inTransaction(async (connection) => {
      const gone: string[] = [];
      for (const { offer, limit } of [...wanted].sort((a, b) => (a.offer < b.offer ? -1 : 1)))
        if ((await usedByOthers(connection, offer, shopper)) >= limit) gone.push(offer);
      if (gone.length === 0 && wanted.length > 0)
        await connection.query(
          'INSERT INTO reservation (offer_id, shopper_hash, until_at) SELECT offer_id, ?, DATE_ADD(UTC_TIMESTAMP(3), INTERVAL ? MINUTE) FROM offer_use WHERE offer_id IN (?) ON DUPLICATE KEY UPDATE until_at = GREATEST(until_at, VALUES(until_at))',
          [shopper, minutes, wanted.map(({ offer }) => offer)],
        );
      return gone;
    });
  } finally {
    forgetState();
  }
}

/** Uses of an offer but for what is reserved for a shopper. Whoever asks has the offer to themselves until the transaction ends. */
async function usedByOthers(connection: PoolConnection, offer: string, shopper: Buffer): Promise<number> {
  await connection.query(
    'INSERT INTO offer_use (offer_id, used, revision) VALUES (?, 0, 1) ON DUPLICATE KEY UPDATE revision = revision + 1',
    [offer],
  );
  const [[row]] = await connection.query<RowDataPacket[]>(
    'SELECT used + (SELECT COUNT(*) FROM reservation WHERE offer_id = ? AND shopper_hash <> ? AND until_at > UTC_TIMESTAMP(3)) AS uses FROM offer_use WHERE offer_id = ?',
    [offer, shopper, offer],
  );
  return Number(row!.uses);
}

/** Clears away what is over, which counts no more as it is. */
export async function forgetOldReservations(): Promise<void> {
  await database().query('DELETE FROM reservation WHERE until_at < UTC_TIMESTAMP(3) LIMIT 10000');
}
