import { spawn } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, truncateSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { gzipSync } from 'node:zlib';
import mysql, { type RowDataPacket } from 'mysql2/promise';
import { afterAll, beforeAll, expect, inject, test } from 'vitest';
import { call, patchDraft, readDraft, setGoal } from '../support/api.ts';
import { freshDatabase, root, startApplication, type Application } from '../support/application.ts';

const folder = mkdtempSync(join(tmpdir(), 'summant-backup-'));
const file = join(folder, 'saved.sql.gz');
const name = 'summant_backup';
let url: string;
let application: Application | null = null;
beforeAll(async () => {
  url = await freshDatabase(inject('databaseServerUrl'), name);
  for (const other of ['restored', 'newer']) await freshDatabase(inject('databaseServerUrl'), `${name}_${other}`);
  application = await startApplication({ DATABASE_URL: url, SUMMANT_LOG: 'silent' });
});
afterAll(async () => {
  await application?.stop();
  rmSync(folder, { recursive: true, force: true });
});

/** As `npm run` does it. */
function run(what: 'backup' | 'restore', ...args: string[]): Promise<{ status: number | null; said: string }> {
  const child = spawn(process.execPath, ['scripts/backup.mjs', what, ...args], {
    cwd: root,
    env: { ...process.env, DATABASE_URL: url },
    stdio: ['ignore', 'pipe', 'pipe'],
  });
  let said = '';
  for (const stream of [child.stdout, child.stderr]) stream.on('data', (chunk: Buffer) => (said += chunk.toString()));
  return new Promise((resolve) => child.once('close', (status) => resolve({ status, said })));
}

/** What tells whether a copy is of one moment: every edit that the draft rests on is there, and none beyond it. */
async function countsOf(database: string) {
  const connection = await mysql.createConnection(url.replace(/[^/]+$/, database));
  const count = async (sql: string) => Number((await connection.query<RowDataPacket[]>(sql))[0][0]!.n);
  const counts = {
    revision: await count('SELECT revision AS n FROM draft'),
    edits: await count('SELECT COUNT(*) AS n FROM draft_edit'),
    newest: await count('SELECT MAX(revision) AS n FROM draft_edit'),
    orders: await count('SELECT COUNT(*) AS n FROM past_order'),
    releases: await count('SELECT COUNT(*) AS n FROM policy_release'),
  };
  await connection.end();
  return counts;
}

test('a database is saved while it is edited, all of it as it was at one moment, and another is made of it', async () => {
  const { address } = application!;
  let over = false;
  const edits = (async () => {
    for (let exact = 5001; !over; exact++)
      await patchDraft(address, (await readDraft(address)).revision, setGoal('uk', exact));
  })();
  const before = await countsOf(name);
  const saved = await run('backup', file);
  over = true;
  await edits;
  expect(saved).toMatchObject({ status: 0, said: expect.stringContaining('is saved') as string });
  const after = await countsOf(name);
  expect(after.revision).toBeGreaterThan(before.revision);
  expect(await run('restore', file, `--into=${name}_restored`)).toMatchObject({ status: 0 });
  const restored = await countsOf(`${name}_restored`);
  expect(restored.revision).toBeGreaterThanOrEqual(before.revision);
  expect(restored.revision).toBeLessThanOrEqual(after.revision);
  expect([restored.edits, restored.newest]).toEqual([restored.revision, restored.revision]);
  expect([restored.orders, restored.releases]).toEqual([before.orders, before.releases]);
  expect(restored.orders).toBeGreaterThan(1000);
  const second = await startApplication({
    DATABASE_URL: url.replace(/[^/]+$/, `${name}_restored`),
    SUMMANT_LOG: 'silent',
  });
  try {
    const cart = {
      lines: [{ product: 'tidewing-16', quantity: 1 }],
      destination: { country: 'NL', postcode: '1799 ZA' },
    };
    const quotes = [];
    for (const { address } of [application!, second]) {
      const { status, body } = await call<{ options: unknown }>(address, 'POST', '/api/quote', { body: cart });
      quotes.push([status, body.options]);
    }
    expect(quotes[1]).toEqual(quotes[0]);
    expect((await readDraft(second.address)).revision).toBe(restored.revision);
    const edited = await patchDraft(second.address, restored.revision, setGoal('uk', 4999));
    expect(edited.status).toBe(200);
  } finally {
    await second.stop();
  }
});

test('what is there is not written over: neither a file, nor a database that is used or has something in it', async () => {
  const refused = async (said: RegExp, ...args: Parameters<typeof run>) => {
    const before = await countsOf(name);
    const outcome = await run(...args);
    expect(outcome.said).toMatch(said);
    expect(outcome.status).toBe(1);
    expect(await countsOf(name)).toEqual(before);
  };
  await refused(/is there already/, 'backup', file);
  await refused(/has something in it/, 'restore', file);
  await refused(/is being used/, 'restore', file, '--replace');
  await application!.stop();
  application = null;
  const broken = join(folder, 'broken.sql.gz');
  writeFileSync(broken, readFileSync(file));
  truncateSync(broken, 40_000);
  await refused(/cannot be read to its end/, 'restore', broken, '--replace');
  const half = join(folder, 'half.sql.gz');
  writeFileSync(half, gzipSync('CREATE TABLE x (id INT);\n'));
  await refused(/has been cut off/, 'restore', half, '--replace');
  writeFileSync(half, gzipSync('CREATE TABLE x (id INT);\n-- Dump completed\n'));
  await refused(/no database of Summant/, 'restore', half, '--replace');
  writeFileSync(
    half,
    gzipSync(
      "CREATE TABLE schema_migration (name VARCHAR(120));\nINSERT INTO schema_migration VALUES ('9999_later');\n-- Dump completed\n",
    ),
  );
  await refused(/of a newer Summant \(9999_later\)/, 'restore', half, '--replace');
  await refused(/is not an option/, 'restore', file, '--force');
  await refused(/There is no/, 'restore', join(folder, 'none'));
  const replaced = await run('restore', file, '--replace');
  expect(replaced).toMatchObject({ status: 0, said: expect.stringContaining(`kept as ${name}_before_`) as string });
  const kept = /kept as (\w+)/.exec(replaced.said)![1]!;
  expect((await countsOf(kept)).revision).toBeGreaterThan(0);
  const connection = await mysql.createConnection(url);
  await connection.query(`DROP DATABASE ${kept}`);
  const [left] = await connection.query<RowDataPacket[]>(`SHOW DATABASES LIKE '${name}%restoring%'`);
  expect(left).toEqual([]);
  await connection.end();
});
