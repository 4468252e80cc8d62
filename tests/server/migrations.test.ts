import { mkdtemp, readdir, readFile, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import type { RowDataPacket } from 'mysql2/promise';
import { afterAll, beforeAll, expect, inject, test } from 'vitest';
import { migrate } from '../../src/server/database/migrate.ts';
import { createPool } from '../../src/server/database/pool.ts';
import { freshDatabase, root } from '../support/application.ts';

const folder = pathToFileURL(`${root}/db/migrations/`);
let pools: ReturnType<typeof createPool>[];
beforeAll(async () => {
  const url = await freshDatabase(inject('databaseServerUrl'), 'summant_migrations');
  pools = [createPool(url), createPool(url)];
});
afterAll(async () => void (await Promise.all(pools.map((pool) => pool.end()))));

test('two processes at once: each migration is applied and recorded once', async () => {
  const applied = await Promise.all(pools.map((pool) => migrate(pool, folder)));
  expect(applied.flat().sort()).toEqual((await readdir(folder)).map((file) => file.replace('.sql', '')).sort());
  expect(await migrate(pools[0]!, folder)).toEqual([]);
});

test('every table has a primary key, InnoDB and utf8mb4', async () => {
  const [tables] = await pools[0]!.query<RowDataPacket[]>(
    "SELECT t.table_name AS name, t.engine, t.table_collation AS collation, SUM(c.constraint_type = 'PRIMARY KEY') AS has_key FROM information_schema.tables t LEFT JOIN information_schema.table_constraints c ON c.table_schema = t.table_schema AND c.table_name = t.table_name WHERE t.table_schema = DATABASE() GROUP BY t.table_name",
  );
  expect(tables.length).toBeGreaterThan(5);
  for (const table of tables)
    expect(table).toMatchObject({ engine: 'InnoDB', collation: expect.stringMatching(/^utf8mb4/), has_key: '1' });
});

test('an applied migration whose file was changed is refused by name', async () => {
  const copy = await mkdtemp(join(tmpdir(), 'summant-migrations-'));
  for (const file of await readdir(folder))
    await writeFile(join(copy, file), `${await readFile(new URL(file, folder), 'utf8')}\n-- changed\n`);
  await expect(migrate(pools[0]!, pathToFileURL(`${copy}/`))).rejects.toThrow(/0001_.*was changed/);
});
