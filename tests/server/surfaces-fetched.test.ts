import { afterAll, expect, test } from 'vitest';
import type { SurfaceStanding } from '../../src/contract/shapes/surface.ts';
import { call, etagOf, readDraft } from '../support/api.ts';
import { freshDatabase, startApplication, startTestDatabase, type Application } from '../support/application.ts';

const database = await startTestDatabase('fetched');
let application: Application | undefined;
afterAll(async () => {
  await application?.stop();
  await database.stop();
});

test('surfaces with an address are fetched by themselves after a release, those without are not', async () => {
  const url = await freshDatabase(database.url, 'summant_fetched');
  application = await startApplication({ DATABASE_URL: url, SUMMANT_FETCH_EVERY: '1' });
  const { address } = application;
  const readAt = async () => {
    const { body } = await call<{ surfaces: SurfaceStanding[] }>(address, 'GET', '/api/surfaces');
    return new Map(body.surfaces.map((one) => [one.id, one.readAt]));
  };
  // Those of the demo were read when it was made, after its last release.
  const before = await readAt();
  const { revision } = await readDraft(address);
  const released = await call(address, 'POST', '/api/releases', {
    body: { note: '', reason: 'The gaps of the demo are meant.' },
    headers: { 'if-match': etagOf(revision) },
  });
  expect(released.status).toBe(201);
  const addressed = [...before.keys()].filter((id) => id !== 'mail-fr');
  expect(addressed).toHaveLength(7);
  await expect
    .poll(async () => {
      const now = await readAt();
      return addressed.filter((id) => now.get(id)! > before.get(id)!);
    })
    .toEqual(addressed);
  expect((await readAt()).get('mail-fr')).toBe(before.get('mail-fr'));
});
