import type { PoolConnection } from 'mysql2/promise';
import { storeId } from '../store-id.ts';
import { setPassword } from './account-store.ts';
import { dropPasskeys } from './passkeys/passkey-store.ts';
import { endSessions } from './sessions.ts';

/**
 * Sets the password of an account that is found again by a code or a link. Whoever knew the password of before may have added a way in:
 * sessions, passkeys and the connection with a provider end. Without a password nobody can have added one.
 */
export async function findAgain(connection: PoolConnection, accountId: string, passwordHash: string): Promise<void> {
  await connection.query(
    'DELETE i FROM account_identity i JOIN account a ON a.store_id = i.store_id AND a.id = i.account_id WHERE a.store_id = ? AND a.id = ? AND a.password_hash IS NOT NULL',
    [storeId, accountId],
  );
  await dropPasskeys(connection, accountId);
  await setPassword(connection, accountId, passwordHash);
  await endSessions(connection, accountId);
}
