import type { PoolConnection, ResultSetHeader, RowDataPacket } from 'mysql2/promise';
import { createHash } from 'node:crypto';
import type { ImportKind } from '../../core/imports/fields.ts';
import type { ImportRequest, ImportRun, ImportState, Rejection } from '../../contract/shapes/import.ts';
import type { ImportMapping } from '../../core/imports/mapping.ts';
import type { RowFault } from '../../core/imports/order-rows.ts';
import { database, reading } from '../database/pool.ts';

/** The same with what only the server needs. */
export interface FullImportRun extends ImportRun {
  mapping: ImportMapping;
  heading: string[];
  prepared: boolean;
  worker: string | null;
}

const columns =
  "id, kind, file_name, file_bytes, state, bytes_read, rows_read, staged, fresh, changed, same, rejected, rounded, applied_through, problem, DATE_FORMAT(made_at, '%Y-%m-%dT%H:%i:%sZ') AS made, mapping, heading, prepared, worker";

function runOf(row: RowDataPacket): FullImportRun {
  return {
    id: Number(row.id),
    kind: row.kind as ImportKind,
    fileName: String(row.file_name),
    fileBytes: Number(row.file_bytes),
    state: row.state as ImportState,
    bytesRead: Number(row.bytes_read),
    rowsRead: Number(row.rows_read),
    staged: Number(row.staged),
    fresh: Number(row.fresh),
    changed: Number(row.changed),
    same: Number(row.same),
    rejected: Number(row.rejected),
    rounded: Number(row.rounded),
    applied: Number(row.applied_through),
    problem: String(row.problem),
    madeAt: String(row.made),
    mapping: JSON.parse(String(row.mapping)) as ImportMapping,
    heading: JSON.parse(String(row.heading)) as string[],
    prepared: Number(row.prepared) === 1,
    worker: row.worker === null ? null : String(row.worker),
  };
}

/** The run as it is told to others. */
export function publicRun({
  mapping: _mapping,
  heading: _heading,
  prepared: _prepared,
  worker: _worker,
  ...run
}: FullImportRun): ImportRun {
  return run;
}

export async function addRun(
  { fileName, fileBytes, mapping, heading }: Pick<ImportRequest, 'fileName' | 'fileBytes' | 'mapping' | 'heading'>,
  madeBy: string,
): Promise<number> {
  const [result] = await database().query<ResultSetHeader>(
    "INSERT INTO import_run (kind, file_name, file_bytes, mapping, heading, state, alive_at, made_by, made_at) VALUES (?, ?, ?, ?, ?, 'reading', UTC_TIMESTAMP(3), ?, UTC_TIMESTAMP(3))",
    [mapping.kind, fileName, fileBytes, JSON.stringify(mapping), JSON.stringify(heading), madeBy],
  );
  return result.insertId;
}

export async function findRun(id: number): Promise<FullImportRun | null> {
  return reading(async (pool) => {
    const [rows] = await pool.query<RowDataPacket[]>(`SELECT ${columns} FROM import_run WHERE id = ?`, [id]);
    return rows[0] ? runOf(rows[0]) : null;
  });
}

/** Newest first. */
export async function listRuns(limit = 20): Promise<ImportRun[]> {
  return reading(async (pool) => {
    const [rows] = await pool.query<RowDataPacket[]>(`SELECT ${columns} FROM import_run ORDER BY id DESC LIMIT ?`, [
      limit,
    ]);
    return rows.map((row) => publicRun(runOf(row)));
  });
}

type Change = Partial<
  Record<
    | 'state'
    | 'bytes_read'
    | 'rows_read'
    | 'staged'
    | 'fresh'
    | 'changed'
    | 'same'
    | 'rejected'
    | 'rounded'
    | 'problem'
    | 'worker',
    string | number | null
  >
>;

/** Notes how far a run has come, as long as it is still in that state. @returns false when it is not */
export async function noteRun(id: number, whileIn: ImportState, change: Change): Promise<boolean> {
  const [result] = await database().query<ResultSetHeader>(
    'UPDATE import_run SET ?, alive_at = UTC_TIMESTAMP(3) WHERE id = ? AND state = ?',
    [change, id, whileIn],
  );
  return result.affectedRows === 1;
}

/** Takes a run whose file nobody has begun to read. @returns false when somebody else has */
export async function leaseReading(id: number, reader: string): Promise<boolean> {
  const [result] = await database().query<ResultSetHeader>(
    "UPDATE import_run SET worker = ?, alive_at = UTC_TIMESTAMP(3) WHERE id = ? AND state = 'reading' AND worker IS NULL AND bytes_read = 0",
    [reader, id],
  );
  return result.affectedRows === 1;
}

/** Gives a run back whose file was not begun after all. */
export async function endReadingLease(id: number, reader: string): Promise<void> {
  await database().query("UPDATE import_run SET worker = NULL WHERE id = ? AND state = 'reading' AND worker = ?", [
    id,
    reader,
  ]);
}

/** Imports that are read or wait for somebody to confirm them. */
export async function openRuns(madeBy: string | null = null): Promise<number> {
  return reading(async (pool) => {
    const [rows] = await pool.query<RowDataPacket[]>(
      "SELECT COUNT(*) AS open FROM import_run WHERE state IN ('reading', 'checked') AND made_by = COALESCE(?, made_by)",
      [madeBy],
    );
    return Number(rows[0]!.open);
  });
}

/** Says that somebody is still at work on a run. */
export async function noteAlive(id: number): Promise<void> {
  await database().query('UPDATE import_run SET alive_at = UTC_TIMESTAMP(3) WHERE id = ?', [id]);
}

/** What stood in a rejected row is not kept, only where and why. */
export async function addRejections(
  id: number,
  faults: readonly RowFault[],
  from: number,
  connection: Pick<PoolConnection, 'query'> = database(),
): Promise<void> {
  for (let start = 0; start < faults.length; start += 1000) {
    const rows = faults
      .slice(start, start + 1000)
      .map(({ line, column, reason }, i) => [
        id,
        line,
        (from + start + i) % 65536,
        column.slice(0, 200),
        reason.slice(0, 300),
      ]);
    await connection.query(
      'INSERT IGNORE INTO import_rejection (import_id, line, position, column_name, reason) VALUES ?',
      [rows],
    );
  }
}

/** Rejected rows by line. @param after only those of later lines */
export async function rejectionsOf(id: number, limit: number, after = 0): Promise<Rejection[]> {
  return reading(async (pool) => {
    const [rows] = await pool.query<RowDataPacket[]>(
      'SELECT line, column_name, reason FROM import_rejection WHERE import_id = ? AND line > ? ORDER BY line, position LIMIT ?',
      [id, after, limit],
    );
    return rows.map((row) => ({ line: Number(row.line), column: String(row.column_name), reason: String(row.reason) }));
  });
}

const hashOf = (heading: readonly string[]) => createHash('sha256').update(JSON.stringify(heading)).digest();

export async function rememberMapping(mapping: ImportMapping, heading: readonly string[]): Promise<void> {
  await database().query(
    'INSERT INTO import_mapping (kind, heading_hash, mapping, used_at) VALUES (?, ?, ?, UTC_TIMESTAMP(3)) ON DUPLICATE KEY UPDATE mapping = VALUES(mapping), used_at = VALUES(used_at)',
    [mapping.kind, hashOf(heading), JSON.stringify(mapping)],
  );
}

/** How a file with this heading was read the last time; null for one not seen before. */
export async function rememberedMapping(kind: ImportKind, heading: readonly string[]): Promise<ImportMapping | null> {
  return reading(async (pool) => {
    const [rows] = await pool.query<RowDataPacket[]>(
      'SELECT mapping FROM import_mapping WHERE kind = ? AND heading_hash = ?',
      [kind, hashOf(heading)],
    );
    return rows[0] ? (JSON.parse(String(rows[0].mapping)) as ImportMapping) : null;
  });
}
