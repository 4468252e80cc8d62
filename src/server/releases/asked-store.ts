import type { Pool, PoolConnection, RowDataPacket } from 'mysql2/promise';
import type { AskedRelease } from '../../contract/shapes/release.ts';
import type { Person } from '../accounts/person.ts';
import { inTransaction, reading } from '../database/pool.ts';
import { storeId } from '../store-id.ts';

interface KnownAsked extends Omit<AskedRelease, 'own'> {
  accountId: string;
}

/** What is asked for; null: nothing. @param lock in a transaction that uses it up */
export async function askedIn(reader: Pool | PoolConnection, lock: boolean): Promise<KnownAsked | null> {
  const [[row]] = await reader.query<RowDataPacket[]>(
    `SELECT draft_revision, note, reason, asked_by, account_id, asked_at FROM release_asked WHERE store_id = ? ${lock ? 'FOR UPDATE' : ''}`,
    [storeId],
  );
  if (!row) return null;
  return {
    revision: Number(row.draft_revision),
    note: String(row.note),
    reason: row.reason === null ? null : String(row.reason),
    askedBy: String(row.asked_by),
    accountId: String(row.account_id),
    askedAt: (row.asked_at as Date).toISOString(),
  };
}

export const seenBy = ({ accountId, ...asked }: KnownAsked, person: Person | null | undefined): AskedRelease => ({
  ...asked,
  own: accountId === person?.signedIn?.accountId,
});

/** The release that somebody has asked for, as somebody sees it. */
export async function askedRelease(person: Person | null | undefined): Promise<AskedRelease | null> {
  const asked = await reading((pool) => askedIn(pool, false));
  return asked && seenBy(asked, person);
}

/** Keeps that somebody asks, in place of what was asked, in a transaction that has locked the draft. */
export async function keepAsked(
  connection: PoolConnection,
  { revision, note, reason }: Pick<AskedRelease, 'revision' | 'note' | 'reason'>,
  person: Person,
): Promise<AskedRelease> {
  await connection.query(
    'REPLACE INTO release_asked (store_id, draft_revision, note, reason, asked_by, account_id, asked_at) VALUES (?, ?, ?, ?, ?, ?, UTC_TIMESTAMP(3))',
    [storeId, revision, note, reason, person.name, person.signedIn!.accountId],
  );
  return seenBy((await askedIn(connection, false))!, person);
}

export const dropAskedIn = async (connection: PoolConnection): Promise<void> => {
  await connection.query('DELETE FROM release_asked WHERE store_id = ?', [storeId]);
};

/** Nothing is done where nothing is asked for. */
export const dropAsked = (): Promise<void> => inTransaction(dropAskedIn);
