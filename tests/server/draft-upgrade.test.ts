import mysql from 'mysql2/promise';
import { afterAll, beforeAll, expect, inject, test } from 'vitest';
import type { Policy } from '../../src/core/policy/types.ts';
import { currentVersion } from '../../src/core/policy/version.ts';
import { call, etagOf, patchDraft, readDraft } from '../support/api.ts';
import { freshDatabase, startApplication, type Application } from '../support/application.ts';
import versionOne from '../support/store-version-1.json' with { type: 'json' };

let application: Application;
let connection: mysql.Connection;

beforeAll(async () => {
  const url = await freshDatabase(inject('databaseServerUrl'), 'summant_upgrade');
  const first = await startApplication({ DATABASE_URL: url }, ['--empty']);
  await first.stop();
  connection = await mysql.createConnection(url);
  const document = JSON.stringify(versionOne);
  // What an installation of before holds: a draft and a release of version 1, and an edit made under it.
  await connection.query('REPLACE INTO draft VALUES (1, 7, UTC_TIMESTAMP(3))');
  await connection.query('REPLACE INTO draft_snapshot VALUES (1, 7, 1, ?)', [document]);
  await connection.query(
    "INSERT INTO draft_edit (store_id, revision, kind, state, label, patch, inverse, made_by, made_at) VALUES (1, 7, 'edit', 'done', 'Old edit', '[]', '[]', 'owner', UTC_TIMESTAMP(3))",
  );
  await connection.query(
    "INSERT INTO policy_release (store_id, number, note, document, draft_revision, copy_of, released_by, released_at) VALUES (1, 1, 'Old', ?, 7, NULL, 'owner', UTC_TIMESTAMP(3))",
    [document],
  );
  await connection.query("INSERT INTO product VALUES ('winder', 'W-1', 'Winder', ?)", [
    JSON.stringify({
      prices: { nlbe: 495 },
      weightGrams: 70,
      sizeMm: null,
      categories: [],
      tags: [],
      needsDelivery: true,
      countsTowardGoals: true,
      shipsFree: false,
      ownDelivery: null,
    }),
  ]);
  application = await startApplication({ DATABASE_URL: url }, ['--empty']);
});
afterAll(async () => {
  await connection.end();
  await application.stop();
});

test('a release of an earlier version is quoted, with products that know nothing of tax classes', async () => {
  const { status, body } = await call<{ options: unknown[]; totals: unknown }>(
    application.address,
    'POST',
    '/api/quote',
    { body: { lines: [{ product: 'winder', quantity: 1 }], destination: { country: 'NL', postcode: '' } } },
  );
  expect(status).toBe(200);
  expect(body).toMatchObject({
    release: 1,
    options: [{ id: 'door', priceBefore: 595, priceAfter: 595 }],
    totals: { goods: 495, tax: 86 + 103, toPay: 1090 },
  });
});

test('a draft of an earlier version is read in the current one, edited and stored so; undo does not go behind the upgrade', async () => {
  const draft = await readDraft(application.address);
  expect(draft).toMatchObject({
    revision: 7,
    canUndo: null,
    policy: { version: currentVersion, offers: { free: { combines: false, unlock: { by: 'amount' } } } },
  });
  expect(
    (await call(application.address, 'POST', '/api/draft/undo', { headers: { 'if-match': etagOf(7) } })).body,
  ).toMatchObject({ revision: 7 });
  const edited = await patchDraft(application.address, 7, [
    { op: 'replace', path: '/offers/free/combines', value: true },
  ]);
  expect(edited.status).toBe(200);
  const [rows] = await connection.query<mysql.RowDataPacket[]>(
    "SELECT schema_version, JSON_VALUE(document, '$.version') AS version FROM draft_snapshot WHERE store_id = 1 ORDER BY revision DESC LIMIT 1",
  );
  expect([rows[0]!.schema_version, Number(rows[0]!.version)]).toEqual([currentVersion, currentVersion]);
  const undone = await call<{ policy: Policy; canUndo: string | null }>(
    application.address,
    'POST',
    '/api/draft/undo',
    { headers: { 'if-match': etagOf(8) } },
  );
  expect(undone.body.policy.offers.free!.combines).toBe(false);
  expect(undone.body.canUndo).toBeNull();
});
