import { createHash } from 'node:crypto';
import mysql, { type Connection, type RowDataPacket } from 'mysql2/promise';
import { afterAll, afterEach, beforeAll, beforeEach, describe, expect, inject, test } from 'vitest';
import type { MadeReceiver, OutgoingCall, Receiver } from '../../src/contract/shapes/receiver.ts';
import type { ReleaseSummary } from '../../src/contract/shapes/release.ts';
import { call, etagOf, readDraft, setGoal, patchDraft, type ProblemBody } from '../support/api.ts';
import { freshDatabase, startApplication, type Application } from '../support/application.ts';
import { isSignedWith, startShopSystem, type ShopSystem } from '../support/shop-system.ts';

let url: string;
let application: Application;
let connection: Connection;
let system: ShopSystem;

const start = () => startApplication({ DATABASE_URL: url, SUMMANT_CALLS_EVERY: '1', SUMMANT_LOG: 'silent' });
beforeAll(async () => {
  url = await freshDatabase(inject('databaseServerUrl'), 'summant_receivers');
  application = await start();
  connection = await mysql.createConnection({ uri: url, timezone: 'Z' });
});
afterAll(async () => {
  await connection.end();
  await application.stop();
});
beforeEach(async () => {
  system = await startShopSystem();
});
afterEach(async () => {
  for (const { id } of await receivers()) await call(application.address, 'DELETE', `/api/receivers/${id}`);
  await system.stop();
});

const receivers = async () =>
  (await call<{ receivers: Receiver[] }>(application.address, 'GET', '/api/receivers')).body.receivers;
const receiver = async (id: string) => (await receivers()).find((one) => one.id === id)!;
const lastCall = async (id: string): Promise<OutgoingCall | undefined> => (await receiver(id)).calls[0];
const add = async (address = system.address): Promise<MadeReceiver> => {
  const { status, body } = await call<MadeReceiver>(application.address, 'POST', '/api/receivers', {
    body: { address },
  });
  expect(status).toBe(201);
  return body;
};
let goal = 7000;
/** Releases an edit of the draft. */
const release = async (): Promise<ReleaseSummary> => {
  goal += 25;
  await patchDraft(application.address, (await readDraft(application.address)).revision, setGoal('nlbe', goal));
  const { revision } = await readDraft(application.address);
  const { status, body } = await call<ReleaseSummary>(application.address, 'POST', '/api/releases', {
    body: { note: `goal ${goal}`, reason: 'The gaps of the demo are meant.' },
    headers: { 'if-match': etagOf(revision) },
  });
  expect(status).toBe(201);
  return body;
};
/** Lets time pass for a receiver: its call becomes due. @param days since it was made and first failed */
const later = async (id: string, days = 0) => {
  await connection.query(
    'UPDATE outgoing_call SET next_at = UTC_TIMESTAMP(3), made_at = DATE_SUB(made_at, INTERVAL ? DAY) WHERE receiver = ? AND next_at IS NOT NULL',
    [days, id],
  );
  await connection.query('UPDATE receiver SET failing_since = DATE_SUB(failing_since, INTERVAL ? DAY) WHERE id = ?', [
    days,
    id,
  ]);
};
const testCall = async (id: string) =>
  (await call<OutgoingCall>(application.address, 'POST', `/api/receivers/${id}/test`)).body;

describe('a receiver', () => {
  test('is told of a release, signed with its secret, and what it answers is kept', async () => {
    const made = await add();
    system.answers = { status: 200, body: 'thanks' };
    const { number, releasedAt, note } = await release();
    await expect.poll(async () => (await lastCall(made.receiver.id))?.state).toBe('arrived');
    expect(system.heard).toHaveLength(1);
    const [heard] = system.heard;
    const digest = createHash('sha256').update(heard!.body).digest('base64');
    expect(heard!.headers['content-digest']).toBe(`sha-256=:${digest}:`);
    expect(isSignedWith(made.secret, system.address, heard!)).toBe(true);
    expect(isSignedWith('00'.repeat(32), system.address, heard!)).toBe(false);
    const { id, kind, release: told } = JSON.parse(heard!.body) as { id: string; kind: string; release: object };
    expect([kind, told]).toEqual(['release', { number, releasedAt, note, copyOf: null }]);
    const logged = await lastCall(made.receiver.id);
    expect(logged).toMatchObject({ id, kind: 'release', release: number, state: 'arrived', nextAt: null });
    expect(logged!.tries).toMatchObject([{ status: 200, answer: 'thanks', problem: null }]);
  });

  test('that fails is told again with pauses, until it arrives, of the same call', async () => {
    const { receiver: made } = await add();
    system.answers = { status: 503, body: 'closed', headers: { 'retry-after': '600' } };
    await release();
    await expect.poll(async () => (await lastCall(made.id))?.tries.length).toBe(1);
    const first = (await lastCall(made.id))!;
    expect(first.tries[0]).toMatchObject({ status: 503, answer: 'closed', problem: 'it answered with 503' });
    const pause = Date.parse(first.nextAt!) - Date.parse(first.tries[0]!.at);
    expect(pause).toBeGreaterThan(590_000);
    expect(pause).toBeLessThan(660_000);
    expect((await receiver(made.id)).failingSince).toBe(first.tries[0]!.at);
    system.answers = { status: 204 };
    await later(made.id);
    await expect.poll(async () => (await lastCall(made.id))?.state).toBe('arrived');
    expect(system.heard).toHaveLength(2);
    expect(system.heard[1]!.body).toBe(system.heard[0]!.body);
    expect((await receiver(made.id)).failingSince).toBeNull();
  });

  test('that was away is told by a process that was started meanwhile', async () => {
    const { receiver: made } = await add();
    const port = Number(new URL(system.address).port);
    await system.stop();
    await release();
    await expect.poll(async () => (await lastCall(made.id))?.tries[0]?.problem).toBe('it could not be reached');
    application.process.kill('SIGKILL');
    system = await startShopSystem(port);
    application = await start();
    await later(made.id);
    await expect.poll(async () => (await lastCall(made.id))?.state).toBe('arrived');
    expect(system.heard).toHaveLength(1);
    // One that dies in the middle of a call has not been told what came of it: the same is told once more.
    system.answers = { status: 'silent' };
    await release();
    await expect.poll(() => system.heard.length).toBe(2);
    application.process.kill('SIGKILL');
    system.answers = { status: 204 };
    application = await start();
    await later(made.id);
    await expect.poll(async () => (await lastCall(made.id))?.state).toBe('arrived');
    expect(system.heard).toHaveLength(3);
    expect(system.heard[2]!.body).toBe(system.heard[1]!.body);
  });

  test('that nothing reaches for three days is left alone, until it is told again', async () => {
    const { receiver: made } = await add();
    system.answers = { status: 500 };
    await release();
    await expect.poll(async () => (await lastCall(made.id))?.tries.length).toBe(1);
    // A day is over: the call is given up, its receiver is not.
    await later(made.id, 1);
    await expect.poll(async () => (await lastCall(made.id))?.state).toBe('givenUp');
    expect((await receiver(made.id)).leftAt).toBeNull();
    await release();
    await expect.poll(async () => (await lastCall(made.id))?.tries.length).toBe(1);
    await later(made.id, 3);
    await expect.poll(async () => (await receiver(made.id)).leftAt).not.toBeNull();
    const heard = system.heard.length;
    system.answers = { status: 204 };
    const { number } = await release();
    expect((await receiver(made.id)).calls.map((one) => one.release)).not.toContain(number);
    expect(system.heard).toHaveLength(heard);
    expect((await call(application.address, 'POST', `/api/receivers/${made.id}/again`)).status).toBe(202);
    await expect.poll(async () => (await lastCall(made.id))?.state).toBe('arrived');
    expect((await lastCall(made.id))?.release).toBe(number);
    expect((await receiver(made.id)).leftAt).toBeNull();
  });

  test('is told once, however many processes there are; a release refused or undone tells nobody', async () => {
    const { receiver: made } = await add();
    const other = await start();
    try {
      const { body } = await call<ProblemBody>(application.address, 'POST', '/api/releases', {
        body: { note: '', reason: 'of an old draft' },
        headers: { 'if-match': etagOf(1) },
      });
      expect(body.status).toBe(412);
      const numbers = [(await release()).number, (await release()).number, (await release()).number];
      await expect
        .poll(async () => (await receiver(made.id)).calls.map(({ state }) => state))
        .toEqual(['arrived', 'arrived', 'arrived']);
      const told = system.heard.map(({ body }) => (JSON.parse(body) as { release: { number: number } }).release.number);
      expect(told).toEqual(numbers);
    } finally {
      await other.stop();
    }
  });
});

describe('a test', () => {
  test('calls once, also one that fails, and says what was answered', async () => {
    const { receiver: made, secret } = await add();
    system.answers = { status: 201, body: 'x'.repeat(100_000) };
    const arrived = await testCall(made.id);
    expect(arrived).toMatchObject({ kind: 'test', state: 'arrived', tries: [{ status: 201, answer: null }] });
    expect(isSignedWith(secret, system.address, system.heard[0]!)).toBe(true);
    system.answers = { status: 200, body: `<b>${'y'.repeat(2000)}` };
    expect((await testCall(made.id)).tries[0]!.answer).toBe(`<b>${'y'.repeat(397)}`);
    // The last letter that is kept has two halves.
    system.answers = { status: 200, body: `x${'🪁'.repeat(300)}` };
    expect((await testCall(made.id)).tries[0]!.answer).toBe(`x${'🪁'.repeat(199)}\ufffd`);
    system.answers = { status: 302, headers: { location: `${system.address}/elsewhere` } };
    const led = await testCall(made.id);
    expect(led).toMatchObject({ state: 'givenUp', nextAt: null });
    expect(led.tries[0]!.problem).toBe('it answered with 302, and other addresses are not followed to');
    expect(system.heard.map(({ path }) => path)).toEqual(new Array(4).fill('/released'));
    expect((await receiver(made.id)).failingSince).toBeNull();
  });

  test('is signed with another secret once one has been made, which is told once', async () => {
    const { receiver: made, secret } = await add();
    const { body } = await call<MadeReceiver>(application.address, 'POST', `/api/receivers/${made.id}/secret`);
    expect(body.secret).not.toBe(secret);
    expect(body.receiver.secretId).not.toBe(made.secretId);
    await testCall(made.id);
    expect(isSignedWith(body.secret, system.address, system.heard[0]!)).toBe(true);
    expect(isSignedWith(secret, system.address, system.heard[0]!)).toBe(false);
    expect(system.heard[0]!.headers['signature-input']).toContain(`keyid="${body.receiver.secretId}"`);
    const listed = await call(application.address, 'GET', '/api/receivers');
    expect(JSON.stringify(listed.body)).not.toContain(body.secret);
  });

  test('of the receiver that ships with Summant: it checks the signature, and can be made to fail', async () => {
    const { receiver: made } = await add('/stand-ins/receiver');
    const mode = (to: string) => call(application.address, 'PUT', '/api/stand-ins/receiver', { body: { mode: to } });
    const outcome = async () => {
      const { tries } = await testCall(made.id);
      return tries[0]!.problem ?? tries[0]!.answer;
    };
    try {
      expect(await outcome()).toMatch(/^Understood, a test: release \d+\.$/);
      await mode('wrong');
      expect(await outcome()).toBe('it answered with 404');
      await mode('down');
      expect(await outcome()).toBe('it answered with 503');
      await mode('slow');
      expect(await outcome()).toBe('it did not answer within 10 s');
    } finally {
      await mode('works');
    }
    const unsigned = await fetch(`${application.address}/stand-ins/receiver`, { method: 'POST', body: '{}' });
    expect(unsigned.status).toBe(401);
  });
});

describe('receivers', () => {
  test('are called over TLS or on this machine, and are twenty at most', async () => {
    for (const address of [
      'http://shop.example.com/',
      'https://a:b@shop.example.com/',
      'https://',
      '/stand-ins/receiver/x',
    ])
      expect([
        address,
        (await call(application.address, 'POST', '/api/receivers', { body: { address } })).status,
      ]).toEqual([address, 422]);
    const there = (await receivers()).length;
    for (let more = there; more < 20; more++) await add();
    const { status } = await call(application.address, 'POST', '/api/receivers', { body: { address: system.address } });
    expect(status).toBe(409);
  });

  test('that are not there are said not to be', async () => {
    for (const [method, path] of [
      ['DELETE', ''],
      ['POST', '/secret'],
      ['POST', '/test'],
      ['POST', '/again'],
    ] as const)
      for (const id of ['aaaaaaaa', '__proto__', 'x'.repeat(300)])
        expect((await call(application.address, method, `/api/receivers/${id}${path}`)).status).toBe(404);
  });

  test('leave nothing behind when they are removed', async () => {
    const { receiver: made } = await add();
    await testCall(made.id);
    await call(application.address, 'DELETE', `/api/receivers/${made.id}`);
    const [rows] = await connection.query<RowDataPacket[]>(
      'SELECT (SELECT COUNT(*) FROM outgoing_call WHERE receiver = ?) AS calls, (SELECT COUNT(*) FROM outgoing_try WHERE call_id NOT IN (SELECT id FROM outgoing_call)) AS tries',
      [made.id],
    );
    expect(rows[0]).toEqual({ calls: 0, tries: 0 });
  });
});
