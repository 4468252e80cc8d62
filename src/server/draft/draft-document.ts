import type { Pool, PoolConnection, RowDataPacket } from 'mysql2/promise';
import type { Operation } from 'rfc6902';
import { emptyPolicy } from '../../core/policy/empty.ts';
import { applyToPolicy } from '../../core/policy/patch.ts';
import type { Policy } from '../../core/policy/types.ts';
import { checkPolicy } from '../../core/checks/validate.ts';
import { currentVersion } from '../../core/policy/version.ts';
import { checkedPolicy, storedPolicy } from '../policy/stored-policy.ts';
import { storeId } from '../store-id.ts';

/** A state of the draft. `stamp` tells it from one of the same revision in a database that was put back meanwhile. */
export interface DraftState {
  revision: number;
  stamp: string;
  policy: Policy;
}

/** Edits between two snapshots of the document. */
const editsBetween = 60;

/** The state this process has seen last: a policy is never changed in place, so it can be kept and shared. */
let known: DraftState | null = null;

type Reader = Pool | PoolConnection;

/** What the draft is at, and the database's time. @param lock until the transaction ends; null when there is no draft yet */
export async function draftRevision(
  reader: Reader,
  lock: boolean,
): Promise<{ revision: number; stamp: string; now: string } | null> {
  const [rows] = await reader.query<RowDataPacket[]>(
    `SELECT revision, CAST(updated_at AS CHAR) AS stamp, CAST(UTC_TIMESTAMP(3) AS CHAR) AS now FROM draft WHERE store_id = ?${lock ? ' FOR UPDATE' : ''}`,
    [storeId],
  );
  return rows[0]
    ? { revision: Number(rows[0].revision), stamp: String(rows[0].stamp), now: String(rows[0].now) }
    : null;
}

/** The policy at a revision: the one known, else the newest snapshot of before with the edits since. @throws InvalidStoredPolicy */
export async function policyAt(
  reader: Reader,
  { revision, stamp }: { revision: number; stamp: string },
): Promise<Policy> {
  const policy = await pastPolicy(reader, { revision, stamp });
  if (known?.policy !== policy) checkedPolicy(policy, revision);
  keepKnown({ revision, stamp, policy });
  return policy;
}

/** The same for a state that the draft may have left behind, and that is not to be remembered. */
export async function pastPolicy(
  reader: Reader,
  { revision, stamp }: { revision: number; stamp: string },
): Promise<Policy> {
  if (known?.revision === revision && known.stamp === stamp) return known.policy;
  return revision === 0 ? emptyPolicy() : readPolicy(reader, revision);
}

/** Remembers a state that has been committed. */
export function keepKnown(state: DraftState): void {
  known = state;
}

async function readPolicy(reader: Reader, revision: number): Promise<Policy> {
  const [snapshots] = await reader.query<RowDataPacket[]>(
    'SELECT revision, document FROM draft_snapshot WHERE store_id = ? AND revision <= ? ORDER BY revision DESC LIMIT 1',
    [storeId, revision],
  );
  const snapshot = snapshots[0];
  if (!snapshot) throw new Error(`there is no snapshot of the draft at or before revision ${revision}`);
  const [edits] = await reader.query<RowDataPacket[]>(
    'SELECT revision, patch FROM draft_edit WHERE store_id = ? AND revision > ? AND revision <= ? ORDER BY revision',
    [storeId, snapshot.revision, revision],
  );
  let policy = storedPolicy(snapshot);
  for (const edit of edits) {
    const outcome = applyToPolicy(policy, JSON.parse(String(edit.patch)) as Operation[]);
    if (!outcome.ok)
      throw new Error(`the edit of revision ${String(edit.revision)} does not fit the draft: ${outcome.reason}`);
    policy = outcome.policy;
  }
  return policy;
}

/** The newest stored state that is valid, looked for from the newest snapshots on; null when none is. */
export async function newestValid(
  reader: Reader,
  through: number,
): Promise<{ revision: number; policy: Policy } | null> {
  const [snapshots] = await reader.query<RowDataPacket[]>(
    'SELECT revision, document FROM draft_snapshot WHERE store_id = ? AND revision <= ? ORDER BY revision DESC',
    [storeId, through],
  );
  for (const snapshot of snapshots) {
    let found: { revision: number; policy: Policy } | null = null;
    let policy = storedPolicy(snapshot);
    if (checkPolicy(policy).ok) found = { revision: Number(snapshot.revision), policy };
    const [edits] = await reader.query<RowDataPacket[]>(
      'SELECT revision, patch FROM draft_edit WHERE store_id = ? AND revision > ? AND revision <= ? ORDER BY revision LIMIT ?',
      [storeId, snapshot.revision, through, editsBetween],
    );
    for (const edit of edits) {
      const outcome = applyToPolicy(policy, JSON.parse(String(edit.patch)) as Operation[]);
      if (!outcome.ok) break;
      policy = outcome.policy;
      if (checkPolicy(policy).ok) found = { revision: Number(edit.revision), policy };
    }
    if (found) return found;
  }
  return null;
}

/**
 * Writes a snapshot where one is due: every so many edits, and wherever the newest is of an earlier version of the schema,
 * since edits fit documents of their own version only. The two newest are kept, for whoever is just reading.
 */
export async function snapshotWhereDue(
  connection: PoolConnection,
  { revision, policy }: { revision: number; policy: Policy },
  always = false,
): Promise<void> {
  if (!always) {
    const [rows] = await connection.query<RowDataPacket[]>(
      'SELECT revision, schema_version FROM draft_snapshot WHERE store_id = ? ORDER BY revision DESC LIMIT 1',
      [storeId],
    );
    if (
      rows[0] &&
      revision - Number(rows[0].revision) < editsBetween &&
      Number(rows[0].schema_version) === currentVersion
    )
      return;
  }
  await connection.query(
    'REPLACE INTO draft_snapshot (store_id, revision, schema_version, document) VALUES (?, ?, ?, ?)',
    [storeId, revision, currentVersion, JSON.stringify(policy)],
  );
  await connection.query(
    'DELETE FROM draft_snapshot WHERE store_id = ? AND revision < (SELECT MIN(revision) FROM (SELECT revision FROM draft_snapshot WHERE store_id = ? ORDER BY revision DESC LIMIT 2) AS newest)',
    [storeId, storeId],
  );
}

/** Edits further back than these are not sent one by one: the whole draft is shorter then. */
const mostSince = { edits: 200, bytes: 2_000_000 };

/** The edits that lead from one revision to a later one as one patch; null where that is too long a way. */
export async function patchSince(reader: Reader, from: number, to: number): Promise<Operation[] | null> {
  if (from > to || to - from > mostSince.edits) return null;
  const [[size]] = await reader.query<RowDataPacket[]>(
    'SELECT COALESCE(SUM(LENGTH(patch)), 0) AS bytes FROM draft_edit WHERE store_id = ? AND revision > ? AND revision <= ?',
    [storeId, from, to],
  );
  if (Number(size!.bytes) > mostSince.bytes) return null;
  const [rows] = await reader.query<RowDataPacket[]>(
    'SELECT patch FROM draft_edit WHERE store_id = ? AND revision > ? AND revision <= ? AND schema_version = ? ORDER BY revision',
    [storeId, from, to, currentVersion],
  );
  return rows.length === to - from ? rows.flatMap((row) => JSON.parse(String(row.patch)) as Operation[]) : null;
}
