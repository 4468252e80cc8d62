import type { RowDataPacket } from 'mysql2/promise';
import type { OutgoingCall, OutgoingTry } from '../../contract/shapes/receiver.ts';
import { database, reading } from '../database/pool.ts';
import { storeId } from '../store-id.ts';

/** So many of a receiver’s calls are shown. */
const mostShown = 20;

const tryOf = ({ made_at, took_ms, status, answer, problem }: RowDataPacket): OutgoingTry => ({
  at: (made_at as Date).toISOString(),
  took: Number(took_ms),
  status: status === null ? null : Number(status),
  answer: answer as string | null,
  problem: problem as string | null,
});

function stateOf({ arrived_at, next_at }: RowDataPacket): OutgoingCall['state'] {
  if (arrived_at !== null) return 'arrived';
  return next_at === null ? 'givenUp' : 'waiting';
}

/** The latest calls of each receiver, the newest first, with every time that they were made. */
export async function latestCalls(): Promise<Map<string, OutgoingCall[]>> {
  return reading(async (pool) => {
    const [calls] = await pool.query<RowDataPacket[]>(
      `SELECT * FROM (
         SELECT id, receiver, kind, release_number, made_at, next_at, arrived_at,
                ROW_NUMBER() OVER (PARTITION BY receiver ORDER BY made_at DESC, id) AS place
         FROM outgoing_call WHERE store_id = ?
       ) AS numbered WHERE place <= ? ORDER BY place`,
      [storeId, mostShown],
    );
    const tries = new Map<string, OutgoingTry[]>();
    if (calls.length > 0) {
      const [rows] = await pool.query<RowDataPacket[]>(
        'SELECT * FROM outgoing_try WHERE store_id = ? AND call_id IN (?) ORDER BY call_id, number',
        [storeId, calls.map(({ id }) => String(id))],
      );
      for (const row of rows) {
        const call = String(row.call_id);
        tries.set(call, [...(tries.get(call) ?? []), tryOf(row)]);
      }
    }
    const of = new Map<string, OutgoingCall[]>();
    for (const row of calls) {
      const call: OutgoingCall = {
        id: String(row.id),
        kind: row.kind as OutgoingCall['kind'],
        release: row.release_number === null ? null : Number(row.release_number),
        madeAt: (row.made_at as Date).toISOString(),
        state: stateOf(row),
        nextAt: (row.next_at as Date | null)?.toISOString() ?? null,
        tries: tries.get(String(row.id)) ?? [],
      };
      const receiver = String(row.receiver);
      of.set(receiver, [...(of.get(receiver) ?? []), call]);
    }
    return of;
  });
}

/** What was told a month ago and more, and is waited for no more. */
export async function forgetOldCalls(): Promise<void> {
  await database().query(
    `DELETE outgoing_call, outgoing_try FROM outgoing_call
     LEFT JOIN outgoing_try ON outgoing_try.store_id = outgoing_call.store_id AND call_id = outgoing_call.id
     WHERE outgoing_call.store_id = ? AND next_at IS NULL AND outgoing_call.made_at < DATE_SUB(UTC_TIMESTAMP(3), INTERVAL 30 DAY)`,
    [storeId],
  );
}
