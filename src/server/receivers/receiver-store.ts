import { randomBytes } from 'node:crypto';
import type { PoolConnection, RowDataPacket } from 'mysql2/promise';
import type { Receiver } from '../../contract/shapes/receiver.ts';
import { inTransaction, reading } from '../database/pool.ts';
import { randomId } from '../random-id.ts';
import { seal, unseal } from '../secrets/sealing.ts';
import { storeId } from '../store-id.ts';
import { latestCalls } from './call-log.ts';
import type { ReceiverSecret } from './signed-call.ts';

export const mostReceivers = 20;

const moment = (value: unknown): string | null => (value as Date | null)?.toISOString() ?? null;

/** All of them with their latest calls, without their secrets. */
export async function listReceivers(): Promise<Receiver[]> {
  const [rows] = await reading((pool) =>
    pool.query<RowDataPacket[]>('SELECT * FROM receiver WHERE store_id = ? ORDER BY made_at, id', [storeId]),
  );
  const calls = rows.length > 0 ? await latestCalls() : new Map<string, Receiver['calls']>();
  return rows.map((row) => ({
    id: String(row.id),
    address: String(row.address),
    secretId: String(row.secret_id),
    madeAt: moment(row.made_at)!,
    failingSince: moment(row.failing_since),
    leftAt: moment(row.left_at),
    calls: calls.get(String(row.id)) ?? [],
  }));
}

export const readReceiver = async (id: string): Promise<Receiver | null> =>
  (await listReceivers()).find((receiver) => receiver.id === id) ?? null;

const newSecret = (): ReceiverSecret => ({ id: randomId(8), secret: randomBytes(32) });

/** @returns its id and its secret, hexadecimal; null where there are as many as there may be */
export const addReceiver = (address: string, madeBy: string): Promise<{ id: string; secret: string } | null> =>
  inTransaction(async (connection) => {
    const [rows] = await connection.query<RowDataPacket[]>('SELECT id FROM receiver WHERE store_id = ? FOR UPDATE', [
      storeId,
    ]);
    return rows.length >= mostReceivers ? null : insertReceiver(connection, address, madeBy);
  });

/** Adds a receiver in the caller’s transaction. */
export async function insertReceiver(
  connection: PoolConnection,
  address: string,
  madeBy: string,
): Promise<{ id: string; secret: string }> {
  const id = randomId(8);
  const { id: secretId, secret } = newSecret();
  await connection.query(
    'INSERT INTO receiver (store_id, id, address, secret, secret_id, made_by, made_at) VALUES (?, ?, ?, ?, ?, ?, UTC_TIMESTAMP(3))',
    [storeId, id, address, seal(secret, 'receiver'), secretId, madeBy],
  );
  return { id, secret: secret.toString('hex') };
}

/** Work on a receiver that nobody else changes meanwhile. @returns false, having done nothing, where there is no such receiver */
const withReceiver = (id: string, work: (connection: PoolConnection) => Promise<unknown>): Promise<boolean> =>
  inTransaction(async (connection) => {
    const [rows] = await connection.query<RowDataPacket[]>(
      'SELECT id FROM receiver WHERE store_id = ? AND id = ? FOR UPDATE',
      [storeId, id],
    );
    if (rows.length > 0) await work(connection);
    return rows.length > 0;
  });

/** @returns the secret that its calls are signed with from now on, hexadecimal; null: there is no such receiver */
export async function changeSecret(id: string): Promise<string | null> {
  const { id: secretId, secret } = newSecret();
  const changed = await withReceiver(id, (connection) =>
    connection.query('UPDATE receiver SET secret = ?, secret_id = ? WHERE store_id = ? AND id = ?', [
      seal(secret, 'receiver'),
      secretId,
      storeId,
      id,
    ]),
  );
  return changed ? secret.toString('hex') : null;
}

/** Takes up again a receiver that was left alone. @returns false: there is no such receiver */
export const takeUpAgain = (id: string): Promise<boolean> =>
  withReceiver(id, (connection) =>
    connection.query('UPDATE receiver SET failing_since = NULL, left_at = NULL WHERE store_id = ? AND id = ?', [
      storeId,
      id,
    ]),
  );

/** Removes a receiver with all that was told it. @returns false: there is no such receiver */
export const removeReceiver = (id: string): Promise<boolean> =>
  withReceiver(id, async (connection) => {
    await connection.query(
      'DELETE outgoing_try FROM outgoing_try JOIN outgoing_call ON outgoing_call.store_id = outgoing_try.store_id AND outgoing_call.id = call_id WHERE outgoing_call.store_id = ? AND receiver = ?',
      [storeId, id],
    );
    await connection.query('DELETE FROM outgoing_call WHERE store_id = ? AND receiver = ?', [storeId, id]);
    await connection.query('DELETE FROM receiver WHERE store_id = ? AND id = ?', [storeId, id]);
  });

/** The secret that is named so; null: no receiver’s calls are signed with it. */
export async function receiverSecret(secretId: string): Promise<Buffer | null> {
  const [rows] = await reading((pool) =>
    pool.query<RowDataPacket[]>('SELECT secret FROM receiver WHERE store_id = ? AND secret_id = ?', [
      storeId,
      secretId,
    ]),
  );
  return rows[0] ? unseal(rows[0].secret as Buffer, 'receiver') : null;
}
