import { createHash } from 'node:crypto';
import type { PoolConnection, RowDataPacket } from 'mysql2/promise';
import { mostPasskeys, type OwnAccount } from '../../../contract/shapes/account.ts';
import { inTransaction, reading } from '../../database/pool.ts';
import { isRandomId, randomId } from '../../random-id.ts';
import { storeId } from '../../store-id.ts';

/** A passkey as a signature is checked with it. */
export interface KnownPasskey {
  id: string;
  accountId: string;
  /** of the account */
  person: string;
  credentialId: Uint8Array<ArrayBuffer>;
  publicKey: Uint8Array<ArrayBuffer>;
  signatures: number;
}

const hashOf = (credentialId: Uint8Array): Buffer => createHash('sha256').update(credentialId).digest();

export async function passkeyWith(credentialId: Uint8Array): Promise<KnownPasskey | null> {
  const [[row]] = await reading((pool) =>
    pool.query<RowDataPacket[]>(
      'SELECT p.id, p.account_id, p.credential_id, p.public_key, p.signatures, a.name FROM passkey p JOIN account a ON a.store_id = p.store_id AND a.id = p.account_id WHERE p.store_id = ? AND p.credential_hash = ?',
      [storeId, hashOf(credentialId)],
    ),
  );
  if (!row) return null;
  return {
    id: String(row.id),
    accountId: String(row.account_id),
    person: String(row.name),
    credentialId: Uint8Array.from(row.credential_id as Buffer),
    publicKey: Uint8Array.from(row.public_key as Buffer),
    signatures: Number(row.signatures),
  };
}

/** Those of an account, the oldest first. */
export async function passkeysOf(
  accountId: string,
): Promise<(OwnAccount['passkeys'][number] & { credentialId: Uint8Array<ArrayBuffer> })[]> {
  const [rows] = await reading((pool) =>
    pool.query<RowDataPacket[]>(
      'SELECT id, name, made_at, used_at, credential_id FROM passkey WHERE store_id = ? AND account_id = ? ORDER BY made_at, id',
      [storeId, accountId],
    ),
  );
  return rows.map((row) => ({
    id: String(row.id),
    name: String(row.name),
    madeAt: (row.made_at as Date).toISOString(),
    usedAt: (row.used_at as Date | null)?.toISOString() ?? null,
    credentialId: Uint8Array.from(row.credential_id as Buffer),
  }));
}

type NewPasskey = Pick<KnownPasskey, 'accountId' | 'credentialId' | 'publicKey' | 'signatures'> & { name: string };

/** @returns false where there are as many as there may be, or it is known already */
export const addPasskey = ({ accountId, credentialId, publicKey, signatures, name }: NewPasskey): Promise<boolean> =>
  inTransaction(async (connection) => {
    // Its row is locked: what adds another at the same time waits.
    await connection.query('SELECT id FROM account WHERE store_id = ? AND id = ? FOR UPDATE', [storeId, accountId]);
    const [rows] = await connection.query<RowDataPacket[]>(
      'SELECT account_id, credential_hash FROM passkey WHERE store_id = ? AND (account_id = ? OR credential_hash = ?)',
      [storeId, accountId, hashOf(credentialId)],
    );
    if (rows.length >= mostPasskeys || rows.some((row) => hashOf(credentialId).equals(row.credential_hash as Buffer)))
      return false;
    await connection.query(
      'INSERT INTO passkey (store_id, id, account_id, credential_id, credential_hash, public_key, signatures, name, made_at) VALUES (?, ?, ?, ?, ?, ?, ?, ?, UTC_TIMESTAMP(3))',
      [
        storeId,
        randomId(12),
        accountId,
        Buffer.from(credentialId),
        hashOf(credentialId),
        Buffer.from(publicKey),
        signatures,
        name,
      ],
    );
    return true;
  });

export const notePasskeyUse = async (connection: PoolConnection, id: string, signatures: number): Promise<void> => {
  await connection.query(
    'UPDATE passkey SET used_at = UTC_TIMESTAMP(3), signatures = ? WHERE store_id = ? AND id = ?',
    [signatures, storeId, id],
  );
};

/** Nothing is done where the account has no such passkey. */
export const removePasskey = (accountId: string, id: string): Promise<void> =>
  inTransaction(async (connection) => {
    if (isRandomId(id, 12))
      await connection.query('DELETE FROM passkey WHERE store_id = ? AND account_id = ? AND id = ?', [
        storeId,
        accountId,
        id,
      ]);
  });

export const dropPasskeys = async (connection: PoolConnection, accountId: string): Promise<void> => {
  await connection.query('DELETE FROM passkey WHERE store_id = ? AND account_id = ?', [storeId, accountId]);
};
