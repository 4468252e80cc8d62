import { createHash } from 'node:crypto';
import { readdir, readFile } from 'node:fs/promises';
import { statementsOf } from './statements.ts';
import type { Connection, Pool, RowDataPacket } from 'mysql2/promise';

interface Migration {
  name: string;
  checksum: string;
  statements: string[];
}

/**
 * Brings the database to the newest schema. Forward only and recorded; safe to run twice and by two processes at
 * once: a row is locked meanwhile, and statements are written so that repeating them does no harm.
 * @throws Error when an applied migration's file was changed afterwards
 */
export async function migrate(pool: Pool, folder: URL): Promise<string[]> {
  await pool.query(
    'CREATE TABLE IF NOT EXISTS schema_migration (name VARCHAR(120) NOT NULL PRIMARY KEY, checksum CHAR(64) NOT NULL, applied_at DATETIME(3) NOT NULL) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4',
  );
  await pool.query(
    "INSERT IGNORE INTO schema_migration (name, checksum, applied_at) VALUES ('0000_lock', '', UTC_TIMESTAMP(3))",
  );
  const guard = await pool.getConnection();
  try {
    await guard.beginTransaction();
    await guard.query("SELECT name FROM schema_migration WHERE name = '0000_lock' FOR UPDATE");
    const applied: string[] = [];
    for (const migration of await readMigrations(folder))
      if (await apply(pool, migration)) applied.push(migration.name);
    await guard.commit();
    return applied;
  } finally {
    guard.release();
  }
}

/** True when every migration in the folder has been applied. */
export async function isMigrated(connection: Pool | Connection, names: readonly string[]): Promise<boolean> {
  const [rows] = await connection.query<RowDataPacket[]>('SELECT name FROM schema_migration');
  const applied = new Set(rows.map((row) => String(row.name)));
  return names.every((name) => applied.has(name));
}

async function readMigrations(folder: URL): Promise<Migration[]> {
  const files = (await readdir(folder)).filter((file) => /^\d{4}_\w+\.sql$/.test(file)).sort();
  return Promise.all(
    files.map(async (file) => {
      const sql = await readFile(new URL(file, folder), 'utf8');
      return {
        name: file.replace(/\.sql$/, ''),
        checksum: createHash('sha256').update(sql).digest('hex'),
        statements: statementsOf(sql),
      };
    }),
  );
}

async function apply(pool: Pool, migration: Migration): Promise<boolean> {
  const [rows] = await pool.query<RowDataPacket[]>('SELECT checksum FROM schema_migration WHERE name = ?', [
    migration.name,
  ]);
  if (rows[0]) {
    if (rows[0].checksum !== migration.checksum)
      throw new Error(
        `Migration ${migration.name} was changed after it had been applied. Restore the file and add a new migration instead.`,
      );
    return false;
  }
  for (const statement of migration.statements) await pool.query(statement);
  await pool.query('INSERT IGNORE INTO schema_migration (name, checksum, applied_at) VALUES (?, ?, UTC_TIMESTAMP(3))', [
    migration.name,
    migration.checksum,
  ]);
  return true;
}
