import type { PoolConnection, RowDataPacket } from 'mysql2/promise';
import type { ReleaseSummary } from '../../contract/shapes/release.ts';
import { inTransaction, reading } from '../database/pool.ts';
import { randomId } from '../random-id.ts';
import { unseal } from '../secrets/sealing.ts';
import { storeId } from '../store-id.ts';
import type { Answered, DueCall } from './due-call.ts';
import { isLeftAlone, nextTry } from './pauses.ts';

/** A release as receivers are told of it. */
export type ToldRelease = Pick<ReleaseSummary, 'number' | 'releasedAt' | 'note' | 'copyOf'>;

/** For so long a call counts as being made: whoever takes it and dies leaves it to others after that. s */
const lease = 60;

interface NewCall {
  receiver: string;
  kind: DueCall['kind'];
  /** null: nothing has been released yet */
  release: ToldRelease | null;
  /** when it is due, from now on. s */
  after?: number;
}

/** Puts a call into the outbox in the caller’s transaction. @returns its id */
async function addCall(connection: PoolConnection, { receiver, kind, release, after = 0 }: NewCall): Promise<string> {
  const id = randomId(12);
  const told = release && {
    number: release.number,
    releasedAt: release.releasedAt,
    note: release.note,
    copyOf: release.copyOf,
  };
  const body = JSON.stringify({ id, kind, at: new Date().toISOString(), release: told });
  await connection.query(
    'INSERT INTO outgoing_call (store_id, id, receiver, kind, release_number, body, made_at, next_at) VALUES (?, ?, ?, ?, ?, ?, UTC_TIMESTAMP(3), DATE_ADD(UTC_TIMESTAMP(3), INTERVAL ? SECOND))',
    [storeId, id, receiver, kind, release?.number ?? null, body, after],
  );
  return id;
}

/** Has all receivers told of a release, in the transaction that makes it: neither is there without the other. */
export async function tellOfRelease(connection: PoolConnection, release: ToldRelease): Promise<void> {
  const [rows] = await connection.query<RowDataPacket[]>(
    'SELECT id FROM receiver WHERE store_id = ? AND left_at IS NULL FOR UPDATE',
    [storeId],
  );
  for (const { id } of rows) await addCall(connection, { receiver: String(id), kind: 'release', release });
}

/** Has a receiver told now what waits for it, and of the latest release where that has not arrived. */
export async function tellAgain(receiver: string, latest: ToldRelease | null): Promise<void> {
  await inTransaction(async (connection) => {
    const [waiting] = await connection.query<RowDataPacket[]>(
      "SELECT release_number FROM outgoing_call WHERE store_id = ? AND receiver = ? AND kind = 'release' AND next_at IS NOT NULL FOR UPDATE",
      [storeId, receiver],
    );
    await connection.query(
      "UPDATE outgoing_call SET next_at = UTC_TIMESTAMP(3) WHERE store_id = ? AND receiver = ? AND kind = 'release' AND next_at IS NOT NULL",
      [storeId, receiver],
    );
    if (!latest || waiting.some(({ release_number }) => release_number === latest.number)) return;
    const [arrived] = await connection.query<RowDataPacket[]>(
      "SELECT id FROM outgoing_call WHERE store_id = ? AND receiver = ? AND kind = 'release' AND release_number = ? AND arrived_at IS NOT NULL",
      [storeId, receiver, latest.number],
    );
    if (arrived.length === 0) await addCall(connection, { receiver, kind: 'release', release: latest });
  });
}

/** Receivers for which something is due. */
export async function receiversWithDueCalls(): Promise<string[]> {
  const [rows] = await reading((pool) =>
    pool.query<RowDataPacket[]>(
      'SELECT DISTINCT receiver FROM outgoing_call WHERE store_id = ? AND next_at <= UTC_TIMESTAMP(3)',
      [storeId],
    ),
  );
  return rows.map(({ receiver }) => String(receiver));
}

const ofCall = `SELECT outgoing_call.*, address, secret, secret_id
  FROM outgoing_call JOIN receiver ON receiver.store_id = outgoing_call.store_id AND receiver.id = receiver
  WHERE outgoing_call.store_id = ? AND receiver = ?`;

const dueCallOf = (row: RowDataPacket): DueCall => ({
  call: String(row.id),
  receiver: String(row.receiver),
  kind: row.kind as DueCall['kind'],
  address: String(row.address),
  id: String(row.secret_id),
  secret: unseal(row.secret as Buffer, 'receiver'),
  body: String(row.body),
  tries: Number(row.tries),
  madeAt: (row.made_at as Date).getTime(),
});

/** Takes the call that has been due for longest, so that no other process makes it meanwhile; null: none is due. */
export const takeDueCall = (receiver: string): Promise<DueCall | null> =>
  inTransaction(async (connection) => {
    const [[row]] = await connection.query<RowDataPacket[]>(
      `${ofCall} AND next_at <= UTC_TIMESTAMP(3) ORDER BY outgoing_call.made_at, outgoing_call.id LIMIT 1 FOR UPDATE`,
      [storeId, receiver],
    );
    if (!row) return null;
    await connection.query(
      'UPDATE outgoing_call SET next_at = DATE_ADD(UTC_TIMESTAMP(3), INTERVAL ? SECOND) WHERE store_id = ? AND id = ?',
      [lease, storeId, row.id],
    );
    return dueCallOf(row);
  });

/** Makes a test call that the caller makes at once; null: there is no such receiver. */
export const takeTest = (receiver: string, release: ToldRelease | null): Promise<DueCall | null> =>
  inTransaction(async (connection) => {
    const [known] = await connection.query<RowDataPacket[]>(
      'SELECT id FROM receiver WHERE store_id = ? AND id = ? FOR UPDATE',
      [storeId, receiver],
    );
    if (known.length === 0) return null;
    const id = await addCall(connection, { receiver, kind: 'test', release, after: lease });
    const [[row]] = await connection.query<RowDataPacket[]>(`${ofCall} AND outgoing_call.id = ?`, [
      storeId,
      receiver,
      id,
    ]);
    return dueCallOf(row!);
  });

/** Notes what came of a call, and when it is made again. */
export const noteTry = (
  { call, receiver, kind, tries, madeAt }: DueCall,
  { at, took, status, answer, problem, pause }: Answered,
): Promise<void> =>
  inTransaction(async (connection) => {
    const [[known]] = await connection.query<RowDataPacket[]>(
      'SELECT failing_since FROM receiver WHERE store_id = ? AND id = ? FOR UPDATE',
      [storeId, receiver],
    );
    // Removed while it was called.
    if (!known) return;
    await connection.query(
      'INSERT INTO outgoing_try (store_id, call_id, number, made_at, took_ms, status, answer, problem) VALUES (?, ?, ?, ?, ?, ?, ?, ?)',
      [storeId, call, tries + 1, new Date(at), took, status, answer, problem],
    );
    const arrived = problem === null;
    const now = Date.now();
    const next = arrived || kind === 'test' ? null : nextTry(tries + 1, madeAt, now, pause);
    await connection.query(
      'UPDATE outgoing_call SET tries = ?, next_at = ?, arrived_at = ? WHERE store_id = ? AND id = ?',
      [tries + 1, next === null ? null : new Date(next), arrived ? new Date(now) : null, storeId, call],
    );
    // A test that fails is no silence: somebody is looking into it.
    const since = (known.failing_since as Date | null)?.getTime() ?? at;
    if (arrived || kind === 'release')
      await connection.query('UPDATE receiver SET failing_since = ? WHERE store_id = ? AND id = ?', [
        arrived ? null : new Date(since),
        storeId,
        receiver,
      ]);
    if (arrived || kind === 'test' || next !== null || !isLeftAlone(since, now)) return;
    await connection.query('UPDATE receiver SET left_at = UTC_TIMESTAMP(3) WHERE store_id = ? AND id = ?', [
      storeId,
      receiver,
    ]);
    await connection.query('UPDATE outgoing_call SET next_at = NULL WHERE store_id = ? AND receiver = ?', [
      storeId,
      receiver,
    ]);
  });
