import type { Pool, PoolConnection, RowDataPacket } from 'mysql2/promise';
import { reading } from '../database/pool.ts';
import { storeId } from '../store-id.ts';
import type { ContentFormat } from './read-content.ts';

/** What was last read of a surface, without its text. */
export interface Reading {
  /** tells what was read from anything else that was; null: nothing has been */
  version: string | null;
  format: ContentFormat;
  source: 'fetched' | 'pasted' | 'file' | null;
  readAt: string | null;
  triedAt: Date | null;
  problem: string | null;
  doneRelease: number | null;
}

const unread: Reading = {
  version: null,
  format: 'text',
  source: null,
  readAt: null,
  triedAt: null,
  problem: null,
  doneRelease: null,
};

const readingOf = (row: RowDataPacket): Reading => ({
  version: row.version === null ? null : String(row.version),
  format: (row.format ?? 'text') as ContentFormat,
  source: row.source as Reading['source'],
  readAt: (row.read_at as Date | null)?.toISOString() ?? null,
  triedAt: row.tried_at as Date | null,
  problem: row.problem as string | null,
  doneRelease: row.done_release === null ? null : Number(row.done_release),
});

/** NULL where nothing has been read. */
const version =
  "IF(content IS NULL, NULL, CONCAT_WS(' ', format, read_at, LENGTH(content), CRC32(content))) AS version";

export async function readingOfSurface(surface: string): Promise<Reading> {
  const [rows] = await reading((pool) =>
    pool.query<RowDataPacket[]>(
      `SELECT format, source, read_at, tried_at, problem, done_release, ${version} FROM surface_reading WHERE store_id = ? AND surface = ?`,
      [storeId, surface],
    ),
  );
  return rows[0] ? readingOf(rows[0]) : unread;
}

/** The text that was last read of a surface, and its version; null: none has been. */
export async function textOfSurface(
  surface: string,
): Promise<{ content: string; format: ContentFormat; version: string } | null> {
  const [rows] = await reading((pool) =>
    pool.query<RowDataPacket[]>(
      `SELECT content, format, ${version} FROM surface_reading WHERE store_id = ? AND surface = ? AND content IS NOT NULL`,
      [storeId, surface],
    ),
  );
  const [row] = rows;
  return row
    ? { content: String(row.content), format: row.format as ContentFormat, version: String(row.version) }
    : null;
}

/** Of every surface that something has been read of or tried, without their texts. */
export async function triedSurfaces(): Promise<Map<string, Date | null>> {
  const [rows] = await reading((pool) =>
    pool.query<RowDataPacket[]>('SELECT surface, tried_at FROM surface_reading WHERE store_id = ?', [storeId]),
  );
  return new Map(rows.map(({ surface, tried_at }) => [String(surface), tried_at as Date | null]));
}

/** Something read of a surface. */
export interface NewReading {
  content: string;
  format: ContentFormat;
  source: NonNullable<Reading['source']>;
}

/** Keeps what was read of a surface; what somebody said of it by hand counts no more. */
export const keepReading = (surface: string, read: NewReading): Promise<void> =>
  reading((pool) => writeReading(pool, surface, read));

/** The same in a transaction of the caller's. */
export async function writeReading(
  connection: Pick<Pool | PoolConnection, 'query'>,
  surface: string,
  { content, format, source }: NewReading,
): Promise<void> {
  await connection.query(
    `INSERT INTO surface_reading (store_id, surface, content, format, source, read_at, tried_at)
     VALUES (?, ?, ?, ?, ?, UTC_TIMESTAMP(3), UTC_TIMESTAMP(3))
     ON DUPLICATE KEY UPDATE content = VALUES(content), format = VALUES(format), source = VALUES(source),
       read_at = VALUES(read_at), tried_at = VALUES(tried_at), problem = NULL, done_release = NULL`,
    [storeId, surface, content, format, source],
  );
}

/** Notes why a surface could not be fetched; what was read before is kept. */
export async function noteProblem(surface: string, problem: string): Promise<void> {
  await reading((pool) =>
    pool.query(
      `INSERT INTO surface_reading (store_id, surface, tried_at, problem) VALUES (?, ?, UTC_TIMESTAMP(3), ?)
       ON DUPLICATE KEY UPDATE tried_at = VALUES(tried_at), problem = VALUES(problem)`,
      [storeId, surface, problem.slice(0, 400)],
    ),
  );
}

/** Notes that somebody has brought a surface into line with a release. */
export async function noteDone(surface: string, release: number): Promise<void> {
  await reading((pool) =>
    pool.query(
      `INSERT INTO surface_reading (store_id, surface, done_release) VALUES (?, ?, ?)
       ON DUPLICATE KEY UPDATE done_release = VALUES(done_release)`,
      [storeId, surface, release],
    ),
  );
}

/**
 * Takes it on to fetch a surface; of several processes one does.
 *
 * @param before the last time that it was tried, as this process knows it
 * @returns whether it is this one
 */
export async function claimFetch(surface: string, before: Date | null): Promise<boolean> {
  return reading(async (pool) => {
    await pool.query('INSERT IGNORE INTO surface_reading (store_id, surface) VALUES (?, ?)', [storeId, surface]);
    const [outcome] = await pool.query(
      'UPDATE surface_reading SET tried_at = UTC_TIMESTAMP(3) WHERE store_id = ? AND surface = ? AND tried_at <=> ?',
      [storeId, surface, before],
    );
    return (outcome as { affectedRows: number }).affectedRows === 1;
  });
}
