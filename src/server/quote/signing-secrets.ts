import { randomBytes } from 'node:crypto';
import type { RowDataPacket } from 'mysql2/promise';
import type { ListedSecret, MadeSecret } from '../../contract/shapes/access-key.ts';
import { database, inTransaction, reading } from '../database/pool.ts';
import { heldFor } from '../held.ts';
import { randomId } from '../random-id.ts';
import { seal, unseal } from '../secrets/sealing.ts';
import type { Soon } from '../soon.ts';
import { storeId } from '../store-id.ts';

/** What quotes are signed with. */
export interface SigningSecret {
  id: string;
  secret: Buffer;
}

/** For so long other processes may go on signing with one that has been retired meanwhile. ms */
const holdsFor = 10_000;

const held = heldFor(holdsFor, lookUp);

/** All that are known, the one that signs first. */
export const signingSecrets = (): Soon<readonly SigningSecret[]> => held.get();

function lookUp(): Promise<readonly SigningSecret[]> {
  return reading(async (pool) => {
    const [rows] = await pool.query<RowDataPacket[]>(
      'SELECT id, secret FROM signing_secret WHERE store_id = ? ORDER BY retired_at IS NOT NULL, made_at DESC, id',
      [storeId],
    );
    return rows.map(({ id, secret }) => ({ id: String(id), secret: unseal(secret as Buffer, 'signing') }));
  });
}

/** Without what they are. */
export async function listSecrets(): Promise<ListedSecret[]> {
  const [rows] = await reading((pool) =>
    pool.query<RowDataPacket[]>(
      'SELECT id, made_at, retired_at FROM signing_secret WHERE store_id = ? ORDER BY retired_at IS NOT NULL, made_at DESC, id',
      [storeId],
    ),
  );
  return rows.map(({ id, made_at, retired_at }) => ({
    id: String(id),
    madeAt: (made_at as Date).toISOString(),
    retiredAt: retired_at === null ? null : (retired_at as Date).toISOString(),
  }));
}

/** Makes a secret that signs from now on. What others have signed holds until it is over. */
export async function makeSecret(): Promise<MadeSecret> {
  const id = randomId(8);
  const secret = randomBytes(32);
  try {
    await inTransaction(async (connection) => {
      await connection.query(
        'UPDATE signing_secret SET retired_at = UTC_TIMESTAMP(3) WHERE store_id = ? AND retired_at IS NULL',
        [storeId],
      );
      await connection.query(
        'INSERT INTO signing_secret (store_id, id, secret, made_at) VALUES (?, ?, ?, UTC_TIMESTAMP(3))',
        [storeId, id, seal(secret, 'signing')],
      );
    });
  } finally {
    held.forget();
  }
  return { id, secret: secret.toString('hex') };
}

/** Retired ones with which nothing is signed any more that still holds: a quote holds for a day at most. */
export async function forgetOldSecrets(): Promise<void> {
  await database().query(
    'DELETE FROM signing_secret WHERE store_id = ? AND retired_at < DATE_SUB(UTC_TIMESTAMP(3), INTERVAL 2 DAY)',
    [storeId],
  );
}
