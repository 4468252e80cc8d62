import type { Pool, PoolConnection, RowDataPacket } from 'mysql2/promise';
import type { Operation } from 'rfc6902';
import { meet, placesOf } from '../../core/policy/patch-places.ts';
import { currentVersion } from '../../core/policy/version.ts';
import { storeId } from '../store-id.ts';

export type Direction = 'undo' | 'redo';

/** Whose edits are one's own; null: of whoever sat at the machine before anybody had an account. */
export type Account = string | null;

/** An edit that a step would take back, or do again. */
export interface HistoryStep {
  revision: number;
  label: string;
  madeBy: string;
  account: Account;
}

const columns = 'revision, label, made_by, account_id';
const stepFrom = (row: RowDataPacket): HistoryStep => ({
  revision: Number(row.revision),
  label: String(row.label),
  madeBy: String(row.made_by),
  account: row.account_id === null ? null : String(row.account_id),
});

/** The edit that somebody's next step would take: the last of one's own, and where there is none left, of the others. */
export async function stepOf(
  connection: Pool | PoolConnection,
  direction: Direction,
  account: Account,
): Promise<HistoryStep | null> {
  const own = await endOf(connection, direction, 'AND account_id <=> ?', [account]);
  return own ?? endOf(connection, direction, '', []);
}

/** Nothing goes behind the policy that everything since was made on. */
async function endOf(
  connection: Pool | PoolConnection,
  direction: Direction,
  whose: string,
  of: Account[],
): Promise<HistoryStep | null> {
  const [[row]] = await connection.query<RowDataPacket[]>(
    `SELECT ${columns} FROM draft_edit WHERE store_id = ? AND kind = 'edit' ${whose} AND state = ? AND schema_version = ? AND revision > (SELECT COALESCE(MAX(revision), 0) FROM draft_edit WHERE store_id = ? AND kind = 'found') ORDER BY stepped DESC LIMIT 1`,
    [storeId, ...of, direction === 'undo' ? 'done' : 'undone', currentVersion, storeId],
  );
  return row ? stepFrom(row) : null;
}

/** What a step does. Patches may be long, so only whoever takes the step reads it. */
export async function patchOf(
  connection: PoolConnection,
  direction: Direction,
  { revision }: HistoryStep,
): Promise<Operation[]> {
  const [[row]] = await connection.query<RowDataPacket[]>(
    'SELECT patch, inverse FROM draft_edit WHERE store_id = ? AND revision = ?',
    [storeId, revision],
  );
  return JSON.parse(String(direction === 'undo' ? row!.inverse : row!.patch)) as Operation[];
}

/** Edits looked at one after the other. */
const atOnce = 200;

/**
 * The newest edit that lies on top of one: done, later, and in the same place. The policy is all edits that are done, in the
 * order of their revisions; only one that nothing lies on top of can be taken out of it or put into it.
 */
export async function coveringEdit(
  connection: PoolConnection,
  { revision }: HistoryStep,
  patch: readonly Operation[],
): Promise<HistoryStep | null> {
  const places = placesOf(patch);
  for (let before = Number.MAX_SAFE_INTEGER; ;) {
    const [rows] = await connection.query<RowDataPacket[]>(
      `SELECT ${columns}, patch FROM draft_edit WHERE store_id = ? AND kind = 'edit' AND state = 'done' AND revision > ? AND revision < ? ORDER BY revision DESC LIMIT ?`,
      [storeId, revision, before, atOnce],
    );
    const covering = rows.find((row) => meet(places, placesOf(JSON.parse(String(row.patch)) as Operation[])));
    if (covering) return stepFrom(covering);
    if (rows.length < atOnce) return null;
    before = Number(rows.at(-1)!.revision);
  }
}

/** A step that has been taken. */
interface TakenStep {
  direction: Direction;
  /** of the edit */
  revision: number;
  /** revision that the step led to */
  to: number;
  /** what it did */
  patch: Operation[];
  inverse: Operation[];
}

/** Whoever takes an edit back may do it again, and takes it over with that. */
export async function noteStep(
  connection: PoolConnection,
  { direction, revision, to, patch, inverse }: TakenStep,
  account: Account,
): Promise<void> {
  const [state, forwards, backwards] = direction === 'undo' ? ['undone', inverse, patch] : ['done', patch, inverse];
  await connection.query(
    'UPDATE draft_edit SET state = ?, account_id = ?, patch = ?, inverse = ?, stepped = ? WHERE store_id = ? AND revision = ?',
    [state, account, JSON.stringify(forwards), JSON.stringify(backwards), to, storeId, revision],
  );
}

/** What somebody has taken back cannot be done again once he has done something else. */
export async function dropUndone(connection: PoolConnection, account: Account): Promise<void> {
  await connection.query(
    "UPDATE draft_edit SET state = 'dropped' WHERE store_id = ? AND state = 'undone' AND account_id <=> ?",
    [storeId, account],
  );
}

/** As undo and redo say it: another's with his name. */
export const stepInWords = ({ label, madeBy, account }: HistoryStep, of: Account): string =>
  account === of ? label : `${label} (by ${madeBy})`;
