import { mkdir, mkdtemp, rename, rm, writeFile } from 'node:fs/promises';
import { createServer } from 'node:net';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import { afterAll, describe, expect, test } from 'vitest';
import { readFileSync } from 'node:fs';
import { isAlive } from '../../scripts/setup/private-database.mjs';
import { root, startApplication } from '../support/application.ts';
import { patchDraft, goalOf, readDraft, setGoal } from '../support/api.ts';

const data = await mkdtemp(join(tmpdir(), 'summant-start-'));
afterAll(() => rm(data, { recursive: true, force: true }));
const start = (more: Record<string, string> = {}, options: string[] = []) =>
  startApplication({ SUMMANT_DATA: data, DATABASE_URL: '', ...more }, options);
const databasePid = () => Number(readFileSync(join(data, 'database', 'mariadbd.pid'), 'utf8'));

/** What a script asks for before anything is installed, through all files of its own. */
function importsOf(file: string, seen: Set<string> = new Set()): string[] {
  if (seen.has(file)) return [];
  seen.add(file);
  const asked = [...readFileSync(file, 'utf8').matchAll(/^(?:import|export)\b[^;]*?from '([^']+)';/gm)].map(
    (one) => one[1]!,
  );
  return asked.flatMap((name) => (name.startsWith('.') ? importsOf(join(dirname(file), name), seen) : [name]));
}

test.each(['scripts/start.mjs', 'scripts/test.mjs'])('%s needs no package to begin with', (script) => {
  const asked = importsOf(join(root, script));
  expect(asked.length).toBeGreaterThan(3);
  expect(asked.filter((name) => !name.startsWith('node:'))).toEqual([]);
});

describe('npm start', () => {
  test('sets up its own database and loads the demo store; SIGTERM stops both', async () => {
    const application = await start();
    const pid = databasePid();
    const draft = await readDraft(application.address);
    expect(draft.policy.store.name).toBe('Gustmoor Kites');
    await patchDraft(application.address, draft.revision, setGoal('nlbe', 6600));
    expect(await application.stop()).toBe(0);
    expect(isAlive(pid)).toBe(false);
  }, 60_000);

  test('after kill -9 of everything the next start recovers what was acknowledged', async () => {
    const application = await start();
    const draft = await readDraft(application.address);
    expect(goalOf(draft.policy, 'nlbe')).toBe(6600);
    expect((await patchDraft(application.address, draft.revision, setGoal('nlbe', 6700))).status).toBe(200);
    const pid = databasePid();
    application.process.kill('SIGKILL');
    process.kill(pid, 'SIGKILL');
    await expect.poll(() => isAlive(pid)).toBe(false);
    const again = await start();
    expect(goalOf((await readDraft(again.address)).policy, 'nlbe')).toBe(6700);
    again.process.kill('SIGKILL');
  }, 60_000);

  test('a database left over from a killed start is taken over and stopped in the end', async () => {
    const pid = databasePid();
    expect(isAlive(pid)).toBe(true);
    const application = await start();
    expect(databasePid()).toBe(pid);
    expect(await application.stop()).toBe(0);
    expect(isAlive(pid)).toBe(false);
  }, 60_000);

  test('a database that is killed is started again while Summant runs', async () => {
    const application = await start();
    const pid = databasePid();
    process.kill(pid, 'SIGKILL');
    await expect.poll(application.said).toContain('The database has stopped; it is started again.');
    await expect.poll(async () => goalOf((await readDraft(application.address)).policy, 'nlbe')).toBe(6700);
    await expect.poll(() => databasePid() !== pid && isAlive(databasePid())).toBe(true);
    expect(await application.stop()).toBe(0);
  }, 60_000);

  test.each([
    ['empty', ''],
    ['half written', '{"password":"0a'],
    ['of something else', '[]'],
  ])(
    'a connection file that is %s loses nothing',
    async (_, text) => {
      await writeFile(join(data, 'database', 'connection.json'), text);
      const application = await start();
      expect(goalOf((await readDraft(application.address)).policy, 'nlbe')).toBe(6700);
      expect(await application.stop()).toBe(0);
    },
    60_000,
  );

  test('a lost mark keeps the database; lost tables are said, and nothing is removed or made anew', async () => {
    await rm(join(data, 'database', 'initialised'));
    const application = await start();
    expect(goalOf((await readDraft(application.address)).policy, 'nlbe')).toBe(6700);
    expect(await application.stop()).toBe(0);

    const [tables, away] = [join(data, 'database', 'data'), join(data, 'away')];
    await rename(tables, away);
    await mkdir(tables);
    await expect(start()).rejects.toThrow(/should hold the database and does not hold it whole. Nothing was removed/);
    await rm(tables, { recursive: true });
    await rename(away, tables);
    const again = await start();
    expect(goalOf((await readDraft(again.address)).policy, 'nlbe')).toBe(6700);
    expect(await again.stop()).toBe(0);
  }, 60_000);

  test('a taken port: the next free one is used and said', async () => {
    const blocker = createServer().listen(4321, '127.0.0.1');
    await new Promise((resolve) => blocker.once('listening', resolve).once('error', resolve));
    const application = await startApplication({
      SUMMANT_DATA: data,
      DATABASE_URL: '',
      PORT: undefined as unknown as string,
    });
    expect(application.said()).toMatch(/Port 4321.* is taken/);
    expect(application.address).toMatch(/:43(2[2-9]|3\d|4[01])$/);
    await application.stop();
    blocker.close();
  }, 60_000);

  test('an option or port that makes no sense is refused in words', async () => {
    await expect(start({}, ['--emtpy'])).rejects.toThrow(/“--emtpy” is not an option/);
    await expect(start({ PORT: 'http' })).rejects.toThrow(/not a port number/);
  }, 60_000);
});
