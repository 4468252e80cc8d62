import type { PoolConnection, ResultSetHeader, RowDataPacket } from 'mysql2/promise';
import { applyPatch, type Operation } from 'rfc6902';
import type { PolicyFault } from '../../core/policy/fault.ts';
import { emptyPolicy } from '../../core/policy/empty.ts';
import { policyChanges } from '../../core/policy/changes.ts';
import type { Policy } from '../../core/policy/types.ts';
import { currentVersion } from '../../core/policy/version.ts';
import { checkPolicy } from '../../core/policy/validate.ts';
import { inTransaction, reading } from '../database/pool.ts';
import { storedPolicy } from '../policy/stored-policy.ts';
import { storeId } from '../user.ts';
import { patchBetween } from './patch-between.ts';

export interface Draft {
  revision: number;
  policy: Policy;
  canUndo: string | null;
  canRedo: string | null;
}

export type EditOutcome =
  | { kind: 'done'; draft: Draft }
  | { kind: 'stale'; draft: Draft }
  | { kind: 'refused'; faults: PolicyFault[]; revision: number }
  | { kind: 'nothing'; draft: Draft };

interface Edit {
  kind: 'edit' | 'found';
  /** taken from what changed when not given */
  label?: string;
  madeBy: string;
}

export async function readDraft(): Promise<Draft> {
  return reading(async (pool) => {
    const [rows] = await pool.query<RowDataPacket[]>('SELECT revision, document FROM draft WHERE store_id = ?', [storeId]);
    const row = rows[0];
    if (!row) return { revision: 0, policy: emptyPolicy(), canUndo: null, canRedo: null };
    return withHistory(pool as unknown as PoolConnection, Number(row.revision), storedPolicy(row));
  });
}

/** Applies a JSON Patch to the draft at exactly `revision`; otherwise the newer draft comes back and nothing changes. */
export async function editDraft(revision: number, patch: Operation[], edit: Edit): Promise<EditOutcome> {
  return inTransaction(async (connection) => {
    const current = await lockDraft(connection);
    if (current.revision !== revision) return { kind: 'stale', draft: await withHistory(connection, current.revision, current.policy) };
    const next = structuredClone(current.policy);
    const failures = applyPatch(next, patch);
    const failed = failures.findIndex((failure) => failure !== null);
    if (failed >= 0) return { kind: 'refused', revision, faults: [{ pointer: patch[failed]!.path, message: `operation ${failed} (${patch[failed]!.op}) does not fit the draft: ${failures[failed]!.message}` }] };
    return storeEdit(connection, current, next, edit);
  });
}

/**
 * Puts a policy where nothing has been set yet, in the caller's transaction. It is the ground on which edits stand, so
 * undo does not go behind it. @returns the draft's revision, or null when there was something already
 */
export async function foundDraft(connection: PoolConnection, policy: Policy, edit: Required<Omit<Edit, 'kind'>>): Promise<number | null> {
  const current = await lockDraft(connection);
  if (current.revision > 0) return null;
  const outcome = await storeEdit(connection, current, policy, { ...edit, kind: 'found' });
  if (outcome.kind === 'refused') throw new Error(`the policy is not valid: ${JSON.stringify(outcome.faults)}`);
  return outcome.kind === 'done' ? outcome.draft.revision : null;
}

/** Takes the newest edit back, or does the last undone one again. */
export async function stepHistory(direction: 'undo' | 'redo', revision: number, madeBy: string): Promise<EditOutcome> {
  return inTransaction(async (connection) => {
    const current = await lockDraft(connection);
    const draft = await withHistory(connection, current.revision, current.policy);
    if (current.revision !== revision) return { kind: 'stale', draft };
    const row = await historyEnd(connection, direction);
    if (!row) return { kind: 'nothing', draft };
    const patch = JSON.parse(String(direction === 'undo' ? row.inverse : row.patch)) as Operation[];
    const inverse = JSON.parse(String(direction === 'undo' ? row.patch : row.inverse)) as Operation[];
    const next = structuredClone(current.policy);
    if (applyPatch(next, patch).some((failure) => failure !== null)) throw new Error(`the ${direction} of revision ${row.revision} does not fit the draft`);
    await connection.query('UPDATE draft_edit SET state = ? WHERE store_id = ? AND revision = ?', [direction === 'undo' ? 'undone' : 'done', storeId, row.revision]);
    await writeDraft(connection, current.revision + 1, next);
    await writeEdit(connection, current.revision + 1, direction, String(row.label), patch, inverse, madeBy);
    return { kind: 'done', draft: await withHistory(connection, current.revision + 1, next) };
  });
}

async function storeEdit(connection: PoolConnection, current: { revision: number; policy: Policy }, next: Policy, edit: Edit): Promise<EditOutcome> {
  const check = checkPolicy(next);
  if (!check.ok) return { kind: 'refused', revision: current.revision, faults: check.faults };
  const patch = patchBetween(current.policy, next);
  if (patch.length === 0) return { kind: 'nothing', draft: await withHistory(connection, current.revision, current.policy) };
  const inverse = patchBetween(next, current.policy);
  const revision = current.revision + 1;
  await connection.query("UPDATE draft_edit SET state = 'dropped' WHERE store_id = ? AND state = 'undone'", [storeId]);
  await writeDraft(connection, revision, next);
  await writeEdit(connection, revision, edit.kind, edit.label ?? labelOf(current.policy, next), patch, inverse, edit.madeBy);
  return { kind: 'done', draft: await withHistory(connection, revision, next) };
}

/** What an edit did, for the history and the undo button. */
function labelOf(before: Policy, after: Policy): string {
  const changes = policyChanges(before, after, 'en');
  const [first] = changes;
  if (!first) return 'Test carts';
  const more = changes.length > 1 ? ` and ${changes.length - 1} more` : '';
  return `${first.subject}${more}`;
}

/** Locks the draft's row, which is made first when there is none. */
async function lockDraft(connection: PoolConnection): Promise<{ revision: number; policy: Policy }> {
  const locked = await lockedRow(connection);
  if (locked) return locked;
  // An insert that meets a row shares its lock, which two transactions cannot both make exclusive: so it comes second.
  await connection.query<ResultSetHeader>('INSERT IGNORE INTO draft VALUES (?, 0, ?, UTC_TIMESTAMP(3))', [storeId, JSON.stringify(emptyPolicy())]);
  return (await lockedRow(connection))!;
}

async function lockedRow(connection: PoolConnection): Promise<{ revision: number; policy: Policy } | null> {
  const [rows] = await connection.query<RowDataPacket[]>('SELECT revision, document FROM draft WHERE store_id = ? FOR UPDATE', [storeId]);
  return rows[0] ? { revision: Number(rows[0].revision), policy: storedPolicy(rows[0]) } : null;
}

async function writeDraft(connection: PoolConnection, revision: number, policy: Policy): Promise<void> {
  await connection.query('UPDATE draft SET revision = ?, document = ?, updated_at = UTC_TIMESTAMP(3) WHERE store_id = ?', [revision, JSON.stringify(policy), storeId]);
}

async function writeEdit(connection: PoolConnection, revision: number, kind: string, label: string, patch: Operation[], inverse: Operation[], madeBy: string): Promise<void> {
  await connection.query("INSERT INTO draft_edit VALUES (?, ?, ?, 'done', ?, ?, ?, ?, UTC_TIMESTAMP(3), ?)", [
    storeId,
    revision,
    kind,
    label.slice(0, 200),
    JSON.stringify(patch),
    JSON.stringify(inverse),
    madeBy,
    currentVersion,
  ]);
}

async function historyEnd(connection: PoolConnection, direction: 'undo' | 'redo'): Promise<RowDataPacket | undefined> {
  const [state, order] = direction === 'undo' ? ['done', 'DESC'] : ['undone', 'ASC'];
  const [rows] = await connection.query<RowDataPacket[]>(
    `SELECT revision, label, patch, inverse FROM draft_edit WHERE store_id = ? AND kind = 'edit' AND state = ? AND schema_version = ? ORDER BY revision ${order} LIMIT 1`,
    [storeId, state, currentVersion],
  );
  return rows[0];
}

async function withHistory(connection: PoolConnection, revision: number, policy: Policy): Promise<Draft> {
  const undo = await historyEnd(connection, 'undo');
  const redo = await historyEnd(connection, 'redo');
  return { revision, policy, canUndo: undo ? String(undo.label) : null, canRedo: redo ? String(redo.label) : null };
}
