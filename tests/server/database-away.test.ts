import { setTimeout as sleep } from 'node:timers/promises';
import { afterAll, expect, test } from 'vitest';
import { startTestDatabase, freshDatabase, startApplication, type Application } from '../support/application.ts';
import { etagOf, goalOf, readDraft, setGoal } from '../support/api.ts';

const database = await startTestDatabase('killed');
let application: Application | undefined;
let restarted: Awaited<ReturnType<typeof startTestDatabase>> | undefined;
afterAll(async () => {
  await application?.stop();
  await restarted?.stop();
});

test('the database is killed under load and comes back: no acknowledged edit is lost, and everything answers again', async () => {
  const url = await freshDatabase(database.url, 'summant_killed');
  application = await startApplication({ DATABASE_URL: url });
  const { address } = application;
  const seen = new Map<string, number>();
  let acknowledged = { revision: 0, goal: 0 };
  let running = true;
  const count = (kind: string) => seen.set(kind, (seen.get(kind) ?? 0) + 1);
  const cart = { lines: [{ product: 'winder', quantity: 1 }], destination: { country: 'NL', postcode: '' } };

  const readers = Array.from({ length: 4 }, async () => {
    while (running) {
      const response = await fetch(`${address}/api/quote`, {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify(cart),
      });
      count(`quote ${response.status}`);
      await response.arrayBuffer();
      await sleep(5);
    }
  });
  const writer = (async () => {
    let revision = (await readDraft(address)).revision;
    for (let goal = 5001; running; goal++) {
      const response = await fetch(`${address}/api/draft`, {
        method: 'PATCH',
        headers: { 'content-type': 'application/json-patch+json', 'if-match': etagOf(revision) },
        body: JSON.stringify(setGoal('nlbe', goal)),
      });
      const body = (await response.json()) as { revision?: number; draft?: { revision: number } };
      count(`edit ${response.status}`);
      if (response.status === 200) acknowledged = { revision: (revision = body.revision!), goal };
      else if (response.status === 412) revision = body.draft!.revision;
      await sleep(5);
    }
  })();

  await expect.poll(() => acknowledged.revision).toBeGreaterThan(5);
  const before = { ...acknowledged };
  process.kill(database.pid, 'SIGKILL');
  await sleep(1500);
  expect((await fetch(`${address}/healthz`)).status).toBe(200);
  expect((await fetch(`${address}/readyz`)).status).toBe(503);
  restarted = await startTestDatabase('killed');
  await expect.poll(async () => (await fetch(`${address}/readyz`)).status).toBe(200);
  await expect.poll(() => acknowledged.revision).toBeGreaterThan(before.revision + 3);
  running = false;
  await Promise.all([...readers, writer]);

  const draft = await readDraft(address);
  expect(draft.revision).toBeGreaterThanOrEqual(acknowledged.revision);
  if (draft.revision === acknowledged.revision) expect(goalOf(draft.policy, 'nlbe')).toBe(acknowledged.goal);
  expect(acknowledged.revision).toBeGreaterThan(before.revision);
  expect([...seen.keys()].filter((kind) => !/ (200|412|503)$/.test(kind))).toEqual([]);
  expect(seen.get('quote 503')).toBeGreaterThan(0);
});
