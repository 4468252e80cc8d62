import type { RowDataPacket } from 'mysql2/promise';
import type { Audit, AuditEntry, AuditFilter, AuditKind } from '../../contract/shapes/audit.ts';
import { database, reading } from '../database/pool.ts';
import { choicesIn } from '../store-choices.ts';
import { storeId } from '../store-id.ts';

type NewEntry = Omit<AuditEntry, 'id' | 'at'>;

const longest = { what: 400, person: 80, address: 45 } as const;

export async function addEntry({ kind, person, address, what }: NewEntry): Promise<void> {
  await database().query(
    'INSERT INTO audit_entry (store_id, made_at, kind, person, address, what) VALUES (?, UTC_TIMESTAMP(3), ?, ?, ?, ?)',
    [
      storeId,
      kind,
      person?.slice(0, longest.person) ?? null,
      address.slice(0, longest.address),
      what.slice(0, longest.what),
    ],
  );
}

const entryFrom = (row: RowDataPacket): AuditEntry => ({
  id: Number(row.id),
  at: (row.made_at as Date).toISOString(),
  kind: row.kind as AuditKind,
  person: row.person === null ? null : String(row.person),
  address: String(row.address),
  what: String(row.what),
});

/** The newest first, one more than `most` where there are more. @param before id; 0: from the newest */
async function entries({ kind, person, from, to }: AuditFilter, before: number, most: number): Promise<AuditEntry[]> {
  const wanted: [string, string | number][] = [['store_id = ?', storeId]];
  if (before > 0) wanted.push(['id < ?', before]);
  if (kind) wanted.push(['kind = ?', kind]);
  if (person) wanted.push(['person = ?', person]);
  if (from) wanted.push(['made_at >= ?', from]);
  if (to) wanted.push(['made_at < DATE_ADD(?, INTERVAL 1 DAY)', to]);
  const [rows] = await reading((pool) =>
    pool.query<RowDataPacket[]>(
      `SELECT id, made_at, kind, person, address, what FROM audit_entry WHERE ${wanted.map(([sql]) => sql).join(' AND ')} ORDER BY id DESC LIMIT ?`,
      [...wanted.map(([, value]) => value), most],
    ),
  );
  return rows.map(entryFrom);
}

/** Shown at once. */
const page = 100;
/** Written into a file. */
const mostInFile = 100_000;

export async function auditPage(filter: AuditFilter, before: number): Promise<Audit> {
  const found = await entries(filter, before, page + 1);
  return { entries: found.slice(0, page), more: found.length > page };
}

export const auditFile = (filter: AuditFilter): Promise<AuditEntry[]> => entries(filter, 0, mostInFile);

/** So many names can be chosen from. */
const mostPeople = 500;

/** Names that entries have. */
export async function peopleInAudit(): Promise<string[]> {
  const [rows] = await reading((pool) =>
    pool.query<RowDataPacket[]>(
      'SELECT DISTINCT person FROM audit_entry WHERE store_id = ? AND person IS NOT NULL ORDER BY person LIMIT ?',
      [storeId, mostPeople],
    ),
  );
  return rows.map((row) => String(row.person));
}

/** Deleted at once, so that nobody waits long for the table. */
const atOnce = 10_000;

/** Clears away what is older than the store says. */
export async function forgetOldEntries(): Promise<void> {
  const { recordDays } = await reading(choicesIn);
  await database().query(
    `DELETE FROM audit_entry WHERE store_id = ? AND made_at < DATE_SUB(UTC_TIMESTAMP(3), INTERVAL ? DAY) LIMIT ${atOnce}`,
    [storeId, recordDays],
  );
}
