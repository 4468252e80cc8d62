import type { PoolConnection, RowDataPacket } from 'mysql2/promise';
import type { ReleaseSummary } from '../../contract/shapes/release.ts';
import { beyondLimit } from '../../core/people/market-limit.ts';
import { emptyPolicy } from '../../core/policy/empty.ts';
import type { Policy } from '../../core/policy/types.ts';
import { reading } from '../database/pool.ts';
import { lockedPolicy, type Editor } from '../draft/draft-store.ts';
import { checkedPolicy, storedPolicy } from '../policy/stored-policy.ts';
import { changingQuotes } from '../current-state.ts';
import { tellOfRelease } from '../receivers/outbox.ts';
import { choicesIn } from '../store-choices.ts';
import { storeId } from '../store-id.ts';

export interface Release extends ReleaseSummary {
  policy: Policy;
}

type Released = { kind: 'released'; release: ReleaseSummary };

const columns = 'number, note, reason, copy_of, released_by, agreed_by, released_at';

function summaryOf(row: RowDataPacket): ReleaseSummary {
  return {
    number: Number(row.number),
    note: String(row.note),
    reason: row.reason === null ? null : String(row.reason),
    copyOf: row.copy_of === null ? null : Number(row.copy_of),
    releasedBy: String(row.released_by),
    agreedBy: row.agreed_by === null ? null : String(row.agreed_by),
    releasedAt: (row.released_at as Date).toISOString(),
  };
}

export async function listReleases(): Promise<ReleaseSummary[]> {
  return reading(async (pool) => {
    const [rows] = await pool.query<RowDataPacket[]>(
      `SELECT ${columns} FROM policy_release WHERE store_id = ? ORDER BY number DESC LIMIT 200`,
      [storeId],
    );
    return rows.map(summaryOf);
  });
}

/** The release that the shop uses; null before the first. */
export async function latestRelease(): Promise<ReleaseSummary | null> {
  return reading(async (pool) => {
    const [rows] = await pool.query<RowDataPacket[]>(
      `SELECT ${columns} FROM policy_release WHERE store_id = ? ORDER BY number DESC LIMIT 1`,
      [storeId],
    );
    return rows[0] ? summaryOf(rows[0]) : null;
  });
}

/** The number of the release that the shop uses; null before the first. */
export async function currentReleaseNumber(): Promise<number | null> {
  return reading(async (pool) => {
    const [rows] = await pool.query<RowDataPacket[]>(
      'SELECT MAX(number) AS number FROM policy_release WHERE store_id = ?',
      [storeId],
    );
    return rows[0]?.number === null ? null : Number(rows[0]?.number);
  });
}

export async function readRelease(number: number): Promise<Release | null> {
  return reading(async (pool) => {
    const [rows] = await pool.query<RowDataPacket[]>(
      `SELECT ${columns}, document FROM policy_release WHERE store_id = ? AND number = ?`,
      [storeId, number],
    );
    return rows[0] ? { ...summaryOf(rows[0]), policy: storedPolicy(rows[0]) } : null;
  });
}

/** What keeps the draft from being released: it has moved on since it was looked at, or it is not for who asks. */
type Unreleasable = { kind: 'stale'; revision: number } | { kind: 'beyond'; reason: string };

/** The draft at `revision`, where somebody may release it; its row is locked. */
export async function releasable(
  connection: PoolConnection,
  revision: number,
  by: Editor,
): Promise<{ kind: 'releasable'; policy: Policy } | Unreleasable> {
  const { policy, revision: now } = await lockedPolicy(connection, revision);
  if (!policy) return { kind: 'stale', revision: now };
  checkedPolicy(policy, revision);
  const beyond = await beyondOwn(connection, policy, by);
  return beyond === null ? { kind: 'releasable', policy } : { kind: 'beyond', reason: beyond };
}

/** Makes the draft at `revision` the next release, where one person may. */
export async function releaseDraft(
  revision: number,
  { note, reason, by }: Pick<NewRelease, 'note' | 'reason'> & { by: Editor },
): Promise<Released | Unreleasable | { kind: 'takesTwo' }> {
  return changingQuotes(async (connection) => {
    const draft = await releasable(connection, revision, by);
    if (draft.kind !== 'releasable') return draft;
    if ((await choicesIn(connection)).twoPeople) return { kind: 'takesTwo' };
    return {
      kind: 'released',
      release: await addRelease(connection, {
        document: JSON.stringify(draft.policy),
        revision,
        note,
        reason,
        copyOf: null,
        releasedBy: by.name,
      }),
    };
  });
}

/** Makes a new release of an old copy. The draft is left as it is: it is work in progress. */
export async function rollBack(
  number: number,
  note: string,
  by: Editor,
): Promise<Released | Unreleasable | { kind: 'unknown' }> {
  return changingQuotes(async (connection) => {
    await connection.query('SELECT revision FROM draft WHERE store_id = ? FOR UPDATE', [storeId]);
    const [rows] = await connection.query<RowDataPacket[]>(
      'SELECT document, draft_revision FROM policy_release WHERE store_id = ? AND number = ?',
      [storeId, number],
    );
    if (!rows[0]) return { kind: 'unknown' };
    const policy = storedPolicy(rows[0]);
    checkedPolicy(policy, Number(rows[0].draft_revision));
    const beyond = await beyondOwn(connection, policy, by);
    if (beyond !== null) return { kind: 'beyond', reason: beyond };
    return {
      kind: 'released',
      release: await addRelease(connection, {
        document: String(rows[0].document),
        revision: Number(rows[0].draft_revision),
        note,
        reason: null,
        copyOf: number,
        releasedBy: by.name,
      }),
    };
  });
}

/** Why somebody may not put this in place of what shoppers are promised now; null: he may. */
async function beyondOwn(connection: PoolConnection, next: Policy, { markets }: Editor): Promise<string | null> {
  if (markets === null) return null;
  const [[now]] = await connection.query<RowDataPacket[]>(
    'SELECT document FROM policy_release WHERE store_id = ? ORDER BY number DESC LIMIT 1',
    [storeId],
  );
  return beyondLimit(now ? storedPolicy(now) : emptyPolicy(), next, markets);
}

interface NewRelease extends Pick<ReleaseSummary, 'note' | 'reason' | 'copyOf' | 'releasedBy'> {
  agreedBy?: string;
  /** the policy as JSON */
  document: string;
  /** of the draft that it was */
  revision: number;
  /** now where it is left out */
  releasedAt?: Date;
}

/** Adds a release in the caller's transaction, which has locked the draft row: so numbers follow without a gap. */
export async function addRelease(
  connection: PoolConnection,
  { document, revision, note, reason, copyOf, releasedBy, agreedBy, releasedAt }: NewRelease,
): Promise<ReleaseSummary> {
  const [last] = await connection.query<RowDataPacket[]>(
    'SELECT COALESCE(MAX(number), 0) AS number FROM policy_release WHERE store_id = ?',
    [storeId],
  );
  const number = Number(last[0]!.number) + 1;
  await connection.query(
    'INSERT INTO policy_release (store_id, number, note, reason, document, draft_revision, copy_of, released_by, agreed_by, released_at) VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, COALESCE(?, UTC_TIMESTAMP(3)))',
    [storeId, number, note, reason, document, revision, copyOf, releasedBy, agreedBy ?? null, releasedAt ?? null],
  );
  const [rows] = await connection.query<RowDataPacket[]>(
    `SELECT ${columns} FROM policy_release WHERE store_id = ? AND number = ?`,
    [storeId, number],
  );
  const release = summaryOf(rows[0]!);
  await tellOfRelease(connection, release);
  return release;
}
