import { createHash } from 'node:crypto';
import type { PoolConnection, RowDataPacket } from 'mysql2/promise';
import { reading } from '../../database/pool.ts';
import { storeId } from '../../store-id.ts';
import type { Identity } from './relying.ts';

const hashOf = ({ issuer, subject }: Identity): Buffer =>
  createHash('sha256')
    .update(JSON.stringify([issuer, subject]))
    .digest();

/** Whose account an identity signs in to; null: it is connected with none. Its use is noted. */
export async function accountWith(
  connection: PoolConnection,
  identity: Identity,
): Promise<{ id: string; name: string } | null> {
  const keys = [storeId, hashOf(identity)];
  const [[row]] = await connection.query<RowDataPacket[]>(
    'SELECT a.id, a.name FROM account_identity i JOIN account a ON a.store_id = i.store_id AND a.id = i.account_id WHERE i.store_id = ? AND i.identity_hash = ?',
    keys,
  );
  if (!row) return null;
  await connection.query(
    'UPDATE account_identity SET used_at = UTC_TIMESTAMP(3) WHERE store_id = ? AND identity_hash = ?',
    keys,
  );
  return { id: String(row.id), name: String(row.name) };
}

/** In place of the one of before. @returns false: it is connected with another account */
export async function connectIdentity(
  connection: PoolConnection,
  accountId: string,
  identity: Identity,
): Promise<boolean> {
  const other = await accountWith(connection, identity);
  if (other && other.id !== accountId) return false;
  await connection.query(
    'REPLACE INTO account_identity (store_id, account_id, identity_hash, issuer, known_as, made_at) VALUES (?, ?, ?, ?, ?, UTC_TIMESTAMP(3))',
    [storeId, accountId, hashOf(identity), identity.issuer, identity.knownAs],
  );
  return true;
}

/** Nothing is done where the account has none. */
export async function dropIdentity(connection: PoolConnection, accountId: string): Promise<void> {
  await connection.query('DELETE FROM account_identity WHERE store_id = ? AND account_id = ?', [storeId, accountId]);
}

/** By whom of the provider an account is signed in to; null: by nobody. */
export async function identityOf(
  accountId: string,
): Promise<{ knownAs: string; madeAt: string; usedAt: string | null } | null> {
  const [[row]] = await reading((pool) =>
    pool.query<RowDataPacket[]>(
      'SELECT known_as, made_at, used_at FROM account_identity WHERE store_id = ? AND account_id = ?',
      [storeId, accountId],
    ),
  );
  if (!row) return null;
  return {
    knownAs: String(row.known_as),
    madeAt: (row.made_at as Date).toISOString(),
    usedAt: (row.used_at as Date | null)?.toISOString() ?? null,
  };
}
