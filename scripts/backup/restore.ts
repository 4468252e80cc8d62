import { spawn } from 'node:child_process';
import { createReadStream } from 'node:fs';
import { stat } from 'node:fs/promises';
import { pipeline } from 'node:stream/promises';
import { createGunzip } from 'node:zlib';
import type { Connection, RowDataPacket } from 'mysql2/promise';
import { readdir } from 'node:fs/promises';
import { endsWhole, main, openTarget, quoted, Refused, type Target } from './database.ts';

const known = (await readdir(new URL('../../db/migrations/', import.meta.url))).filter((name) => name.endsWith('.sql'));

/** Whether a file is whole: it unpacks to its end, and ends as it should. */
async function checkFile(file: string): Promise<void> {
  if (!(await stat(file).catch(() => null))) throw new Refused(`There is no ${file}. Nothing was changed.`);
  let tail = '';
  try {
    await pipeline(createReadStream(file), createGunzip(), async (unpacked: AsyncIterable<Buffer>) => {
      for await (const chunk of unpacked) tail = (tail + chunk.toString('latin1')).slice(-300);
    });
  } catch (error) {
    throw new Refused(`${file} cannot be read to its end (${(error as Error).message}). Nothing was changed.`);
  }
  if (!endsWhole.test(tail)) throw new Refused(`${file} has been cut off. Nothing was changed.`);
}

async function load({ options, environment }: Target, file: string, name: string): Promise<void> {
  const client = spawn(
    'mariadb',
    ['--no-defaults', ...options, '--default-character-set=utf8mb4', '--max-allowed-packet=256M', name],
    { env: { ...process.env, ...environment }, stdio: ['pipe', 'ignore', 'pipe'] },
  );
  let said = '';
  client.stderr.on('data', (chunk: Buffer) => (said = (said + chunk.toString()).slice(-2000)));
  const ended = new Promise<number | null>((resolve, reject) => {
    client.once('error', reject);
    client.once('close', resolve);
  });
  const sent = pipeline(createReadStream(file), createGunzip(), client.stdin).catch((error: Error) => error);
  if ((await ended) !== 0) throw new Refused(`It could not be restored; what was there is as it was:\n${said}`);
  await sent;
}

async function tablesOf(connection: Connection, name: string): Promise<string[]> {
  const [rows] = await connection.query<RowDataPacket[]>(
    'SELECT TABLE_NAME AS name FROM information_schema.TABLES WHERE TABLE_SCHEMA = ? ORDER BY 1',
    [name],
  );
  return rows.map((row) => String(row.name));
}

/** What is restored is of this Summant, or of one before it. */
async function checkMigrations(connection: Connection, name: string): Promise<void> {
  const [rows] = await connection
    .query<RowDataPacket[]>(`SELECT name FROM ${quoted(name)}.schema_migration`)
    .catch(() => {
      throw new Refused('What is in the file is no database of Summant. What was there is as it was.');
    });
  const foreign = rows
    .map((row) => String(row.name))
    .filter((one) => one !== '0000_lock' && !known.includes(`${one}.sql`));
  if (foreign.length > 0)
    throw new Refused(
      `The file is of a newer Summant (${foreign.join(', ')}): use that one. What was there is as it was.`,
    );
}

const moved = (tables: readonly string[], from: string, to: string): string =>
  tables.map((table) => `${quoted(from)}.${quoted(table)} TO ${quoted(to)}.${quoted(table)}`).join(', ');

/** Puts a saved database in the place of one that is empty, or, when asked to, of one that is kept beside it. */
await main(async () => {
  const [file, ...options] = process.argv.slice(2) as [string, ...string[]];
  const replace = options.includes('--replace');
  const into = options.find((option) => option.startsWith('--into='))?.slice('--into='.length);
  const unknown = options.find((option) => option !== '--replace' && !option.startsWith('--into='));
  if (unknown) throw new Refused(`“${unknown}” is not an option.`);
  await checkFile(file);
  const target = await openTarget(process.env.DATABASE_URL!);
  const { connection } = target;
  const name = into ?? target.name;
  if (!/^[\w-]{1,40}$/.test(name)) throw new Refused(`“${name}” is not the name of a database.`);
  const stamp = new Date().toISOString().replace(/\D/g, '').slice(0, 14);
  const loading = `${name}_restoring_${stamp}`;
  try {
    const there = await tablesOf(connection, name);
    if (there.length > 0 && !replace)
      throw new Refused(
        `${name} has something in it. Nothing was changed. With --replace it is kept under another name, and the file takes its place.`,
      );
    const [users] = await connection.query<RowDataPacket[]>(
      'SELECT COUNT(*) AS count FROM information_schema.PROCESSLIST WHERE DB = ?',
      [name],
    );
    if (Number(users[0]!.count) > 0)
      throw new Refused(`${name} is being used. Nothing was changed. Stop Summant, and try again.`);
    await connection.query(`CREATE DATABASE ${quoted(loading)} CHARACTER SET utf8mb4`);
    await load(target, file, loading);
    await checkMigrations(connection, loading);
    const restored = await tablesOf(connection, loading);
    const before = `${name}_before_${stamp}`;
    await connection.query(`CREATE DATABASE IF NOT EXISTS ${quoted(name)} CHARACTER SET utf8mb4`);
    if (there.length > 0) await connection.query(`CREATE DATABASE ${quoted(before)} CHARACTER SET utf8mb4`);
    // All at once: whoever is stopped here leaves one or the other.
    await connection.query(
      `RENAME TABLE ${[moved(there, name, before), moved(restored, loading, name)].filter((part) => part !== '').join(', ')}`,
    );
    console.log(`${file} is restored into ${name}, ${restored.length} tables.`);
    if (there.length > 0) console.log(`What was there is kept as ${before}; drop it when it is not wanted any more.`);
  } finally {
    await connection.query(`DROP DATABASE IF EXISTS ${quoted(loading)}`).catch(() => {});
    await connection.end();
  }
});
