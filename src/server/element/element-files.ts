import { readFile } from 'node:fs/promises';
import { join } from 'node:path';
import type { RowDataPacket } from 'mysql2/promise';
import { reading } from '../database/pool.ts';
import { log } from '../log.ts';

/** Keeps the file of this build, so that pages which name it find it when the next one is served. */
export async function keepElement(): Promise<void> {
  const folder = process.env.SUMMANT_ELEMENT;
  if (!folder) return;
  try {
    const { path } = JSON.parse(await readFile(join(folder, 'current.json'), 'utf8')) as { path: string };
    const [version, name] = path.split('/').slice(-2) as [string, string];
    const content = await readFile(join(folder, version, name));
    await reading((pool) =>
      pool.query('INSERT IGNORE INTO element_file (version, content, kept_at) VALUES (?, ?, UTC_TIMESTAMP(3))', [
        version,
        content,
      ]),
    );
  } catch (error) {
    log.warn({ err: error instanceof Error ? error.message : String(error) }, 'the element’s file could not be kept');
  }
}

/** The file of a version that was served before; null: there was none. */
export async function elementFile(version: string): Promise<Buffer | null> {
  const [[row]] = await reading((pool) =>
    pool.query<RowDataPacket[]>('SELECT content FROM element_file WHERE version = ?', [version]),
  );
  return row ? (row.content as Buffer) : null;
}
