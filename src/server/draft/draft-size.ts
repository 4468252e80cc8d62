import type { PoolConnection, RowDataPacket } from 'mysql2/promise';
import type { Operation } from 'rfc6902';
import type { PolicyFault } from '../../core/policy/fault.ts';
import type { Policy } from '../../core/policy/types.ts';

/** A policy takes at most so many bytes as JSON: with it a page opens and an edit saves in reasonable time. */
const mostBytes = 12_000_000;
/** Of what the database takes in one statement: text is escaped on the way, and an edit is sent with its inverse. */
const sharePerDocument = 5;

let bound: number | null = null;

/** What a policy may take, with this database. */
async function documentBound(connection: PoolConnection): Promise<number> {
  if (bound === null) {
    const [rows] = await connection.query<RowDataPacket[]>('SELECT @@max_allowed_packet AS packet');
    bound = Math.min(mostBytes, Math.floor(Number(rows[0]!.packet) / sharePerDocument));
  }
  return bound;
}

/** Bytes of policies, at most: exact where one was measured, else that of the one before with the edit. */
const known = new WeakMap<Policy, number>();

const bytesOf = (value: unknown): number => Buffer.byteLength(JSON.stringify(value), 'utf8');

/** Says that a policy has grown too large by an edit; null while it has not. It is measured only where it may have. */
export async function sizeFault(
  connection: PoolConnection,
  before: Policy,
  after: Policy,
  patch: readonly Operation[],
): Promise<PolicyFault | null> {
  const most = await documentBound(connection);
  let bytes = (known.get(before) ?? bytesOf(before)) + bytesOf(patch);
  if (bytes > most) bytes = bytesOf(after);
  known.set(after, bytes);
  if (bytes <= most) return null;
  const mega = (count: number) => (count / 1_000_000).toFixed(1);
  return { pointer: '', message: `the policy would take ${mega(bytes)} MB; it may take at most ${mega(most)} MB` };
}
